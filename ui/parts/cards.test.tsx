import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { computeKit } from '@/core/kit/kit'
import { kitRequestFor } from '@/core/kit/for-room'
import type { Kit, KitRequest } from '@/core/kit/request'
import { ARCHETYPES, archetype } from '@/core/knowledge/machine/archetype'
import { plain } from '@/core/units/words'
import { kitMachine } from '@/core/kit/kit-machine'
import type { Traits } from '@/core/knowledge/machine/trait'
import { DEFAULT_HOUSE_RULES } from '@/core/room/house-rules'
import { cautionWords, extraWords } from '../kit-words'
import { needleWords, stitchWords, threadWords } from '../words'
import { FaultNote } from './fault-note'
import { KitCard } from './kit-card'
import { KitCompare, kitPartWords } from './kit-compare'
import { MachineCard } from './machine-card'

const { traits } = archetype('iron-front-loader')
type Cloth = Pick<KitRequest, 'fabric' | 'layers' | 'operation'>
const CLOTHS: readonly Cloth[] = [
  {
    fabric: { structure: 'woven', massGsm: 64, traits: ['slippery', 'dense'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  },
  { fabric: { structure: 'woven', massGsm: 420 }, layers: { seam: 2, crossing: 4 }, operation: 'seam' },
  {
    fabric: { structure: 'knit', massGsm: 220, stretchPercent: 40 },
    layers: { seam: 2, crossing: 2 },
    operation: 'stretch-seam',
  },
  { fabric: { structure: 'leather', thicknessMm: 1.2 }, layers: { seam: 2, crossing: 2 }, operation: 'seam' },
  {
    fabric: { structure: 'felt', massGsm: 420, thicknessMm: 2.1, traits: ['bulky'] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
  },
]
const kitsFor = (cloth: Cloth): readonly Kit[] => {
  const known = kitMachine(traits)
  if ('missing' in known) throw new Error('The template lacks a trait')
  return computeKit(kitRequestFor(cloth, known.machine, { rules: DEFAULT_HOUSE_RULES, dropTests: [] })).kits
}
const text = (markup: string) =>
  markup
    .replaceAll(/<[^>]+>/g, ' ')
    .replaceAll('&#x27;', '’')
    .replaceAll('&amp;', '&')
    .replaceAll(/\s+/g, ' ')
const card = (cloth: Cloth, more: Partial<Parameters<typeof KitCard>[0]> = {}) =>
  renderToStaticMarkup(
    <KitCard kit={kitsFor(cloth)[0]!} traits={traits} fabric={cloth.fabric} layers={cloth.layers} {...more} />,
  )

describe('a kit’s card', () => {
  it.each(CLOTHS)(
    'names every part of the kit for $fabric.structure with its reason, and takes care where the hand is',
    (cloth) => {
      const kit = kitsFor(cloth)[0]!
      const markup = card(cloth)
      const words = text(markup)
      for (const part of [
        needleWords(kit.needle),
        threadWords(kit.topThread),
        threadWords(kit.bobbinThread),
        stitchWords(kit.stitch),
        kit.foot,
        kit.footPressure,
      ])
        expect(words).toContain(part)
      for (const name of ['needle', 'thread', 'bobbin', 'stitch', 'foot', 'foot pressure'])
        expect(markup).toContain(`aria-label="Why this ${name}"`)
      for (const caution of kit.cautions) expect(words).toContain(cautionWords[caution])
      for (const extra of kit.extras) expect(words).toContain(extraWords[extra])
      if (kit.dial.setting !== undefined) expect(words).toContain(`Start the dial at ${plain(kit.dial.setting)}`)
      expect(words).toContain('the machine’s manual')
    },
  )

  it('is another one for each cloth', () => {
    expect(new Set(CLOTHS.map((cloth) => card(cloth))).size).toBe(CLOTHS.length)
  })

  it('says how much thread it takes and how many bobbins to wind, where somebody said what is sewn', () => {
    const use = { topM: 11.2, bobbinM: 9.4, bobbins: 2, capacityM: 31.7 } as NonNullable<
      Parameters<typeof KitCard>[0]['use']
    >
    const words = text(card(CLOTHS[1]!, { use }))
    expect(words).toContain('12 m')
    expect(words).toContain('wind 2, 10 m (32 m a bobbin)')
    expect(text(card(CLOTHS[1]!))).not.toContain('a bobbin)')
  })

  it('shows what was chosen by hand, in place of what, and what it breaks', () => {
    const kit = kitsFor(CLOTHS[1]!)[0]!
    const overrides = [
      { part: 'needle', instead: 'jeans 100/16', because: 'None left', breaks: ['Finer than this cloth wants'] },
    ] as unknown as NonNullable<Kit['overrides']>
    const words = text(card(CLOTHS[1]!, { kit: { ...kit, overrides } }))
    expect(words).toContain('Chosen by hand in place of jeans 100/16: None left')
    expect(words).toContain('Finer than this cloth wants')
  })

  it('offers to change a part only to whom it is given to', () => {
    expect(card(CLOTHS[0]!)).not.toContain('Choose another')
    expect(card(CLOTHS[0]!, { change: () => undefined })).toContain('aria-label="Choose another thread"')
  })
})

describe('two kits side by side', () => {
  it('mark exactly the parts that differ', () => {
    const kits = [kitsFor(CLOTHS[0]!)[0]!, kitsFor(CLOTHS[1]!)[0]!]
    const markup = renderToStaticMarkup(<KitCompare kits={kits} take={() => undefined} />)
    const rows = [...markup.matchAll(/<tr[^>]*><th[^>]*>(.*?)<\/th>(.*?)<\/tr>/gs)]
    expect(rows.length).toBeGreaterThan(8)
    for (const [, head, cells] of rows) {
      const [one, other] = [...cells!.matchAll(/<td[^>]*>(.*?)<\/td>/gs)].map(([, cell]) => cell)
      const name = text(head!).trim()
      if (!name.startsWith('Verdict') && !name.startsWith('Because')) expect(name.includes('≠')).toBe(one !== other)
    }
    const same = renderToStaticMarkup(<KitCompare kits={[kits[0]!, kits[0]!]} take={() => undefined} />)
    expect(same).not.toContain('≠')
    expect(kitPartWords.extras({ ...kits[0]!, extras: [] })).toBe('nothing')
  })
})

describe('a machine’s card', () => {
  const code = { code: 'OX-1', size: 21, path: 'M0 0h1v1h-1z' }
  const draw = (of: Traits) =>
    renderToStaticMarkup(
      <MachineCard
        name="Heron"
        number={3}
        notes="Its pedal sticks."
        traits={of}
        code={code}
        venue={{ name: 'The Loft' }}
      />,
    )

  it('is its own for each kind of machine, with the cautions on every one', () => {
    const cards = ARCHETYPES.map((kind) => draw(kind.traits))
    expect(new Set(cards).size).toBe(ARCHETYPES.length)
    for (const each of cards) {
      expect(text(each)).toContain('Power off and foot off the pedal')
      expect(text(each)).toContain('find every piece')
      expect(text(each)).toContain('The machine’s manual wins')
    }
  })

  it('says of what nobody knows that one should ask, and invents nothing', () => {
    const words = text(draw({}))
    expect(words).toContain('flat: ask')
    expect(words.match(/not known: ask/g)!.length).toBeGreaterThan(10)
    expect(words).not.toMatch(/undefined|NaN/)
    expect(text(draw({ ...traits, lengthDial: 'backwards' }))).toContain('dial runs backwards')
  })
})

describe('a fault', () => {
  it('is said aloud where it was tried, and nothing is said when there is none', () => {
    const fault = { code: 'invalid', message: '"count" must be at least 1', path: 'count' }
    expect(renderToStaticMarkup(<FaultNote fault={fault} />)).toMatch(/role="alert".*at least 1/)
    expect(renderToStaticMarkup(<FaultNote fault={undefined} />)).toBe('')
  })
})
