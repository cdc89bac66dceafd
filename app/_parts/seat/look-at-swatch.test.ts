import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GATES, SWATCH_SIGNS, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '@/core/knowledge/tension/tension'
import { lineOf, looked, lookingFrom, sewnOf, swatchOf, type Seen } from './look-at-swatch'

const start = lookingFrom('straight', 4, { swatches: [], done: ['rethreaded'], past: [] })
const after = (...looks: readonly Seen[]) => looks.reduce(looked, start)
const anyLook: fc.Arbitrary<Seen> = fc.oneof(
  fc.record({ choose: fc.constant('target' as const), target: fc.constantFrom(...TARGETS) }),
  fc.record({ choose: fc.constant('at' as const), at: fc.integer({ min: 0, max: 9 }) }),
  fc.record({ choose: fc.constant('top' as const), look: fc.constantFrom(...TOP_LOOKS) }),
  fc.record({ choose: fc.constant('under' as const), look: fc.constantFrom(...UNDER_LOOKS) }),
  fc.record({ choose: fc.constant('sign' as const), sign: fc.constantFrom(...SWATCH_SIGNS) }),
  fc.record({ choose: fc.constant('gate' as const), gate: fc.constantFrom(...GATES) }),
  fc.record({ choose: fc.constant('written' as const), next: fc.integer({ min: 0, max: 9 }) }),
)

describe('looking at a swatch', () => {
  it('is a swatch once both faces are chosen, in whatever order', () => {
    expect(swatchOf(after({ choose: 'top', look: 'dots' }))).toBeUndefined()
    const swatch = { dial: 4, top: 'dots', under: 'own', signs: [] }
    expect(swatchOf(after({ choose: 'top', look: 'dots' }, { choose: 'under', look: 'own' }))).toEqual(swatch)
    expect(swatchOf(after({ choose: 'under', look: 'own' }, { choose: 'top', look: 'dots' }))).toEqual(swatch)
  })

  it('takes a sign or a gate back when it is chosen again', () =>
    fc.assert(
      fc.property(
        fc.array(anyLook),
        fc.constantFrom(...SWATCH_SIGNS),
        fc.constantFrom(...GATES),
        (looks, sign, gate) => {
          const before = after(...looks)
          const twice = [
            { choose: 'sign', sign } as const,
            { choose: 'gate', gate } as const,
            { choose: 'sign', sign } as const,
            { choose: 'gate', gate } as const,
          ].reduce(looked, before)
          expect(new Set(twice.signs)).toEqual(new Set(before.signs))
          expect(new Set(twice.done)).toEqual(new Set(before.done))
        },
      ),
    ))

  it('once written begins the next where the dial goes, keeps what was done, and remembers it with its own stitch', () =>
    fc.assert(
      fc.property(fc.array(anyLook), fc.integer({ min: 0, max: 9 }), (looks, next) => {
        const before = after(...looks, { choose: 'top', look: 'line' }, { choose: 'under', look: 'own' })
        const then = looked(before, { choose: 'written', next })
        expect([then.at, swatchOf(then), then.signs, then.done]).toEqual([next, undefined, [], before.done])
        expect(sewnOf(then)).toEqual([...sewnOf(before), swatchOf(before)])
        const other = TARGETS.find((target) => target !== before.target)!
        const elsewhere = looked(then, { choose: 'target', target: other })
        expect(sewnOf(elsewhere)).toEqual(sewnOf({ ...before, target: other }))
      }),
    ))

  it('unticks what a photograph ticked when the next one does not show it, and never what was ticked by hand', () => {
    const photograph = (face: 'top' | 'under', skipped: boolean): Seen => ({
      choose: 'camera',
      seen: { face, look: 'own', score: 0, spread: 0.3, skipped },
    })
    const signs = (...looks: readonly Seen[]) => after(...looks).signs
    const byHand: Seen = { choose: 'sign', sign: 'skipped' }
    expect(signs(photograph('top', true))).toEqual(['skipped'])
    expect(signs(photograph('top', true), photograph('top', false))).toEqual([])
    expect(signs(photograph('top', true), photograph('under', true), photograph('top', false))).toEqual(['skipped'])
    expect(signs(byHand, photograph('top', false))).toEqual(['skipped'])
    expect(signs(byHand, photograph('top', true), photograph('top', false))).toEqual(['skipped'])
    expect(signs(photograph('top', true), byHand, photograph('under', false))).toEqual([])
  })

  it('writes the mark that was taken only where two disagreed', () => {
    const both = after({ choose: 'top', look: 'dots' }, { choose: 'under', look: 'own' })
    const near = { next: { do: 'done', dial: 3.5 }, reading: 'as-near' } as const
    expect(lineOf(both, near, 'a')).toMatchObject({ dial: 4, asNear: 3.5, projectId: 'a', done: ['rethreaded'] })
    const turned = lineOf(both, { next: { do: 'dial', dial: 3 }, reading: 'top-little-tight' })
    expect(turned).not.toHaveProperty('asNear')
    expect(lineOf(start, near)).toBeUndefined()
  })
})
