import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { NEEDLE_OUT } from '@/core/knowledge/check/needle-out'
import { eventBody } from '@/core/machine/event'
import { check } from '@/core/schema/validate'
import { changed, changingFrom, lineOf, REASONS, same, type Choice, type Said } from './changing'

const universal: Choice = { point: 'universal', sizeNm: 80 }
const twin: Choice = { point: 'twin-universal', sizeNm: 80, gapMm: 2 }
const fittedNow = (due: string, condition = 'new') => ({ ...universal, due, condition })
const anySaid: fc.Arbitrary<Said> = fc.oneof(
  fc.record({ say: fc.constant('reason' as const), reason: fc.constantFrom(...REASONS) }),
  fc.record({ say: fc.constant('needle' as const), choice: fc.constantFrom(universal, twin) }),
  fc.record({ say: fc.constant('part-used' as const), partUsed: fc.boolean() }),
  fc.record({ say: fc.constant('hours' as const), hours: fc.constantFrom(0, 2.5, 8) }),
  fc.record({ say: fc.constant('pieces' as const), found: fc.boolean() }),
)

describe('a needle change as it is said', () => {
  it('begins with the kit’s needle, for the reason that the old one gives', () => {
    expect(changingFrom(fittedNow('keep'), twin)).toMatchObject({ reason: 'other-kit', fitted: twin })
    expect(changingFrom(fittedNow('change'), twin)).toMatchObject({ reason: 'due', fitted: twin })
    expect(changingFrom(fittedNow('keep'), universal)).toMatchObject({ reason: 'due', fitted: universal })
    expect(changingFrom(fittedNow('keep', 'unverified'), twin)).toMatchObject({ reason: 'unknown-age' })
    expect(changingFrom(undefined, undefined).fitted).toBeUndefined()
  })

  it('is a line that the book takes, and says where the old needle goes', () =>
    fc.assert(
      fc.property(fc.array(anySaid), fc.boolean(), (said, hadOne) => {
        const changing = said.reduce(changed, changingFrom(hadOne ? fittedNow('keep') : undefined, universal))
        const line = lineOf(changing, '130/705 H', hadOne)
        expect(check(eventBody('needle-changed'), line)).toEqual(line)
        expect(line.out?.wentTo).toBe(hadOne ? NEEDLE_OUT[changing.reason].wentTo : undefined)
        expect(line.out?.piecesFound).toBe(hadOne && changing.reason === 'broken' ? changing.piecesFound : undefined)
        expect(line.in?.effectiveHours).toBe(changing.partUsed ? changing.hours : undefined)
        expect(same(line.in, changing.fitted)).toBe(true)
      }),
    ))
})
