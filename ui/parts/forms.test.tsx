import { renderToStaticMarkup } from 'react-dom/server'
import { describe, expect, it } from 'vitest'
import { completeFabric } from '@/core/fabric/intake'
import { computeKit } from '@/core/kit/kit'
import type { Override, OverridePart } from '@/core/kit/override'
import type { KitRequest } from '@/core/kit/request'
import { CLAIMS } from '@/core/knowledge/claim'
import { NAMED_FABRICS } from '@/core/knowledge/cloth/named-fabric'
import { OPERATIONS } from '@/core/knowledge/stitch/stitch'
import { TRAIT_NAMES, TRAIT_QUESTIONS, TRAITS } from '@/core/knowledge/machine/trait'
import { ORDINARY_MACHINE } from '@/core/testing/ordinary-machine'
import { ClaimCard, claimsBeside } from './claim-card'
import { FabricFields } from './fabric-fields'
import type { FabricFacts } from './fabric-facts'
import { Amount } from '../fields/number'
import { OverrideForm } from './override-form'
import { UnitsOf } from './units'
import { TraitField, type FieldSchema } from './trait-field'

const nothing = () => {}
const text = (markup: string) => markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ')
const labelled = (markup: string, label: string): string => {
  const found = new RegExp(`<input[^>]*aria-label="${label.replaceAll(/[()/²]/g, '\\$&')}"[^>]*>`).exec(markup)?.[0]
  if (!found) throw new Error(`no field is labelled ${label}`)
  return found
}
const valueOf = (input: string) => /value="([^"]*)"/.exec(input)?.[1]

const fields = (facts: FabricFacts) => renderToStaticMarkup(<FabricFields facts={facts} change={nothing} />)
const facts = (fabric: FabricFacts['fabric'], more: Partial<FabricFacts> = {}): FabricFacts => ({
  fabric,
  layers: { seam: 2, crossing: 4 },
  operation: 'seam',
  ...more,
})

describe('a cloth’s fields', () => {
  it('show what was said, and say of everything else that it is a guess', () => {
    const markup = fields(facts({ structure: 'woven', massGsm: 150 }))
    expect(valueOf(labelled(markup, 'Mass (g/m²)'))).toBe('150')
    const { estimated } = completeFabric({ structure: 'woven', massGsm: 150 })
    expect(estimated).toContain('thicknessMm')
    expect(markup.match(/a guess: measure it/g)).toHaveLength(estimated.length)
    const told = fields(facts({ structure: 'woven', massGsm: 150, thicknessMm: 0.3, stretchPercent: 2 }))
    expect(told).not.toContain('a guess')
  })

  it('call a number that a named cloth lent a guess, until somebody measures it', () => {
    const lent = fields(facts({ structure: 'woven', massGsm: 150, guessed: ['massGsm'] }))
    const measured = fields(facts({ structure: 'woven', massGsm: 150 }))
    const guesses = (markup: string) => markup.match(/a guess: measure it/g)?.length ?? 0
    expect(guesses(lent)).toBe(guesses(measured) + 1)
  })

  it('are read and typed in the units of the venue, and say which', () => {
    const inch = renderToStaticMarkup(
      <UnitsOf units={{ length: 'inch', mass: 'ounces' }}>
        <FabricFields
          facts={facts(
            { structure: 'woven', massGsm: 339.06, thicknessMm: 0.508 },
            { sewn: { seamM: 9.14, starts: 1 } },
          )}
          change={nothing}
        />
      </UnitsOf>,
    )
    expect(valueOf(labelled(inch, 'Mass (oz/yd²)'))).toBe('10')
    expect(valueOf(labelled(inch, 'Thickness of one layer (thou)'))).toBe('20')
    expect(text(inch)).toContain('Yards of seam')
    expect(inch).toContain('wide, in')
    expect(inch).toContain('ounces')
  })

  it('can be dragged and typed, the same number in both', () => {
    const { thicknessMm } = completeFabric({ structure: 'knit', massGsm: 200 })
    const markup = fields(facts({ structure: 'knit', massGsm: 200 }))
    expect(Number(valueOf(labelled(markup, 'Thickness of one layer, dragged')))).toBeCloseTo(thicknessMm, 6)
    expect(Number(valueOf(labelled(markup, 'Thickness of one layer (mm)')))).toBeCloseTo(thicknessMm, 1)
  })

  it('ask for no mass where thickness decides', () => {
    for (const structure of ['leather', 'rope'] as const)
      expect(text(fields(facts({ structure, thicknessMm: 2 })))).not.toContain('Mass')
    expect(text(fields(facts({ structure: 'felt', massGsm: 300 })))).toContain('Mass')
  })

  it('offer everything that is sewn here, and every cloth to begin from', () => {
    const markup = fields(facts({ structure: 'woven', massGsm: 150 }))
    for (const operation of OPERATIONS) expect(markup).toContain(`value="${operation}"`)
    for (const { name } of NAMED_FABRICS) expect(markup).toContain(`>${name}</option>`)
  })

  it('leave metres unsaid until somebody says them', () => {
    expect(fields(facts({ structure: 'woven', massGsm: 150 }))).toContain('placeholder="not said"')
    const sewn = fields(facts({ structure: 'woven', massGsm: 150 }, { sewn: { seamM: 7.25, starts: 3 } }))
    expect(sewn).toContain('value="7.25"')
  })
})

describe('a trait’s question', () => {
  const field = (trait: (typeof TRAIT_NAMES)[number], value?: unknown, guess = false) =>
    renderToStaticMarkup(
      <TraitField
        question={TRAIT_QUESTIONS[trait]}
        schema={JSON.parse(JSON.stringify(TRAITS[trait])) as FieldSchema}
        value={value}
        set={nothing}
        guess={guess}
      />,
    )

  it.each(TRAIT_NAMES)('%s is asked in words, and answered by nothing until somebody answers', (trait) => {
    const markup = field(trait)
    expect(text(markup).replaceAll('&#x27;', "'").replaceAll('&amp;', '&')).toContain(TRAIT_QUESTIONS[trait])
    expect(markup).toContain('<input')
    expect(markup).not.toContain('checked')
    expect(markup).not.toMatch(/value="[^"]+"/)
  })

  it('offers what its schema allows, and marks what was chosen', () => {
    const flat = field('shankFlat', 'left')
    for (const word of ['back', 'left', 'round']) expect(text(flat)).toContain(word)
    expect(flat.match(/btn-neutral/g)).toHaveLength(1)
    expect(field('evenFeed', false)).toMatch(/btn-neutral[^>]*>.*no</s)
    expect(field('stitches', ['straight', 'zigzag']).match(/btn-neutral/g)).toHaveLength(2)
    expect(field('needleNm', { min: 60, max: 110 })).toContain('value="110"')
  })

  it('says that a template’s answer was checked by nobody', () => {
    expect(text(field('evenFeed', true, true))).toContain('not checked yet')
    expect(text(field('evenFeed', true))).not.toContain('not checked yet')
  })
})

describe('a part chosen otherwise', () => {
  const request: KitRequest = {
    fabric: { structure: 'woven', massGsm: 150, traits: [] },
    layers: { seam: 2, crossing: 2 },
    operation: 'seam',
    machine: ORDINARY_MACHINE,
  }
  const kit = computeKit(request).kits[0]!
  const form = (part: OverridePart, others: readonly Override[] = []) =>
    renderToStaticMarkup(
      <OverrideForm request={request} kit={kit} others={others} part={part} keep={nothing} leave={nothing} />,
    )

  it.each(['needle', 'thread', 'bobbin', 'foot', 'pressure', 'stitch', 'dial'] as const)(
    '%s begins as the kit has it, which breaks nothing, and asks why',
    (part) => {
      const markup = form(part)
      expect(text(markup)).toContain('Breaks nothing that is known here.')
      expect(text(markup)).toContain('In place of')
      expect(markup).toMatch(/<input[^>]*required[^>]*minLength="3"/)
      expect(markup).not.toContain('disabled')
    },
  )

  it('says at once what it breaks, and is not kept where the machine cannot do it', () => {
    const wide: Override = { part: 'stitch', value: { lengthMm: 2.5, widthMm: 40 }, because: 'wider is better' }
    const markup = form('stitch', [wide])
    expect(text(markup)).toContain('Cannot be:')
    expect(markup).toContain('disabled')
    expect(text(markup)).toContain('Back to')
    const thick: Override = { part: 'needle', value: { point: 'universal', sizeNm: 110 }, because: 'it is all we have' }
    const minded = form('needle', [thick])
    expect(text(minded)).toContain('Mind:')
    expect(minded).not.toContain('disabled')
    expect(minded).toContain('value="it is all we have"')
  })
})

describe('small parts', () => {
  it('a number to type has its bounds and its name', () => {
    const markup = renderToStaticMarkup(<Amount label="Dial" value={4.5} min={0} max={9} step={0.5} set={nothing} />)
    for (const said of ['>Dial</label>', 'value="4.5"', 'min="0"', 'max="9"', 'step="0.5"', 'required'])
      expect(markup).toContain(said)
  })

  it('every claim says what people say, whether it holds, and why', () => {
    for (const claim of CLAIMS) {
      const words = text(renderToStaticMarkup(<ClaimCard claim={claim} />))
      expect(words).toContain(claim.give.verdict)
      expect(words.length).toBeGreaterThan(claim.give.said.length + 20)
    }
  })

  it('a claim stands beside a part only where it bears on it', () => {
    const places = [...new Set(CLAIMS.map(({ give }) => give.place))]
    const beside = claimsBeside(places, { structure: 'knit', fibre: 'polyester', operation: 'seam' })
    for (const claim of beside) expect(Object.keys(claim.when).length).toBeGreaterThan(0)
    expect(claimsBeside([], {})).toEqual([])
  })
})
