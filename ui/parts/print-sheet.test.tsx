import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { completeFabric } from '@/core/fabric/intake'
import { kitRequestFor } from '@/core/kit/for-room'
import { computeKit } from '@/core/kit/kit'
import type { KitRequest } from '@/core/kit/request'
import { ARCHETYPES, archetype } from '@/core/knowledge/machine/archetype'
import { bobbinVolumeOf, kitMachine } from '@/core/kit/kit-machine'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { kitUse } from '@/core/kit/kit-use'
import { sizeText } from '@/core/units/needle-size'
import { LAID_OUT_WORDS } from '@/core/knowledge/stitch/extra'
import { cautionWords } from '../kit-words'
import { needleWords, threadWords } from '../words'
import { TAG_MM } from '@/core/camera/plane'
import { BagLabel, KitSheet, SwatchTags, type PrintedBag } from './print-sheet'

type Cloth = Pick<KitRequest, 'fabric' | 'layers' | 'operation'>
const CLOTHS: readonly Cloth[] = [
  {
    fabric: { structure: 'woven', massGsm: 45, traits: ['sheer'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  },
  { fabric: { structure: 'woven', massGsm: 150 }, layers: { seam: 2, crossing: 4 }, operation: 'seam' },
  { fabric: { structure: 'woven', massGsm: 400 }, layers: { seam: 2, crossing: 4 }, operation: 'topstitch' },
  {
    fabric: { structure: 'knit', massGsm: 220, stretchPercent: 40 },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
  },
  { fabric: { structure: 'leather', thicknessMm: 1.2 }, layers: { seam: 2, crossing: 2 }, operation: 'seam' },
]
const { traits } = archetype('iron-front-loader')

const TAG = { code: 'K7QP-2M', size: 29, path: 'M0 0h29v1h-29z' }

function bagOf(cloth: Cloth, metres?: number): PrintedBag {
  const known = kitMachine(traits)
  if ('missing' in known) throw new Error('the template lacks a trait')
  const [kit] = computeKit(kitRequestFor(cloth, known.machine, { rules: DEFAULT_HOUSE_RULES, dropTests: [] })).kits
  const stack = completeFabric(cloth.fabric).thicknessMm * cloth.layers.seam
  return {
    learner: 'Ida',
    name: 'a bag & a hat',
    machine: { name: 'Heron', number: 7, traits },
    kit: kit!,
    fabric: cloth.fabric,
    layers: cloth.layers,
    ...(metres && { use: kitUse(kit!, { seamM: metres, starts: 2 }, stack, bobbinVolumeOf(traits)!, false) }),
    tags: { top: TAG, under: TAG },
    code: { code: 'K7QP-2M', size: 25, path: 'M0 0h1v1h-1z' },
  }
}
const text = (markup: string) =>
  markup
    .replaceAll(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', "'")
    .replaceAll('&amp;', '&')
    .replaceAll(/\s+/g, ' ')
describe('the tags of a swatch', () => {
  it('are codes of exactly 20 mm from outer edge to outer edge, one for each face, with whose swatch it is', () => {
    const drawn = renderToStaticMarkup(<SwatchTags bag={bagOf(CLOTHS[0]!)} />)
    // The code fills its drawing, and its drawing is as large as a camera takes it to be.
    expect(drawn.match(/viewBox="0 0 29 29" style="width:20mm;height:20mm"/g)).toHaveLength(2)
    expect(TAG_MM).toBe(20)
    expect(text(drawn)).toMatch(/On top +Ida.*Turned over +Ida/)
  })
})

const label = (bag: PrintedBag) => renderToStaticMarkup(<BagLabel bag={bag} />)
const VENUE = { name: 'The Loft', logo: 'data:image/png;base64,iVBORw0KGgoAAAA=' }
const sheet = (bag: PrintedBag) => renderToStaticMarkup(<KitSheet bag={bag} venue={VENUE} />)

describe.each(CLOTHS)('printed for $fabric.structure, $operation', (cloth) => {
  const bag = bagOf(cloth)

  it('a label says whose bag it is, where it goes, and all that lies in it', () => {
    const words = text(label(bag))
    for (const part of [
      'Ida',
      'a bag & a hat',
      'Heron',
      'no. 7',
      'K7QP-2M',
      sizeText(bag.kit.needle.sizeNm),
      threadWords(bag.kit.topThread),
      threadWords(bag.kit.bobbinThread),
      bag.kit.foot,
      ...bag.kit.extras.flatMap((extra) => LAID_OUT_WORDS[extra] ?? []),
      ...bag.kit.cautions.map((caution) => cautionWords[caution]),
    ])
      expect(words).toContain(part)
  })

  it('a card has what is set at the machine besides, with its measures drawn from the same numbers', () => {
    const markup = sheet(bag)
    const words = text(markup)
    expect(words).toContain(VENUE.name)
    expect(markup).toContain(`src="${VENUE.logo}"`)
    expect(words).toContain(needleWords(bag.kit.needle))
    expect(words).toContain(`${bag.kit.fit.clearance.toFixed(2)} × the thread`)
    const crossing = Math.max(cloth.layers.seam, cloth.layers.crossing)
    expect(words).toContain(`${crossing} layers`)
    expect(markup.match(/data-part="layer"/g)).toHaveLength(crossing)
    expect(markup).toContain(`under a ${(bag.kit.needle.sizeNm / 100).toFixed(2)} mm blade`)
    if (bag.kit.dial.setting !== undefined) expect(markup).toContain('Tension dial from')
    expect(words).not.toMatch(/NaN|undefined/)
  })

  it('a card leaves the last word to the manual and the hand, with power off', () => {
    const words = text(sheet(bag))
    expect(words).toContain('manual')
    expect(words).toContain('Power off')
    expect(words).toContain('swatch')
  })
})

describe('what is printed', () => {
  it('speaks of metres and bobbins only where somebody said what is sewn', () => {
    const silent = text(label(bagOf(CLOTHS[1]!)))
    expect(silent).not.toContain('wind')
    const told = bagOf(CLOTHS[1]!, 6)
    expect(text(label(told))).toContain(`wind ${told.use!.bobbins}`)
    expect(text(label(told))).toContain(`${Math.ceil(told.use!.topM)} m`)
    expect(text(sheet(told))).toContain(`wind ${told.use!.bobbins}`)
    expect(bagOf(CLOTHS[1]!, 60).use!.topM).toBeGreaterThan(told.use!.topM)
  })

  it('is another sheet for each cloth', () => {
    expect(new Set(CLOTHS.map((cloth) => sheet(bagOf(cloth)))).size).toBe(CLOTHS.length)
  })

  it('needs no colour to be read: nothing on paper is told by a colour class', () => {
    for (const cloth of CLOTHS) expect(label(bagOf(cloth))).not.toMatch(/text-(error|warning|success|primary)/)
  })

  it.each(ARCHETYPES.map(({ id }) => id))('fits the machine it is for: %s', (id) => {
    const own = archetype(id).traits
    const known = kitMachine(own)
    if ('missing' in known) return
    const answer = computeKit(kitRequestFor(CLOTHS[1]!, known.machine, { rules: DEFAULT_HOUSE_RULES, dropTests: [] }))
    const [kit] = answer.kits
    if (!kit) return expect(answer.refusals.length).toBeGreaterThan(0)
    const markup = sheet({ ...bagOf(CLOTHS[1]!), kit, machine: { name: 'Dunlin', number: 2, traits: own } })
    if (own.shankFlat === 'left') expect(markup).toContain('flat to the left')
    if (own.shankFlat === 'back') expect(markup).not.toContain('flat to the left')
    expect(text(markup)).not.toMatch(/NaN|undefined/)
  })
})
