import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GATES, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../knowledge/tension'
import { dialUnit, type Dial } from '../units/dial'
import { fitDial } from './dial-fit'
import { nextStep, type SwatchAt, type TensionQuestion } from './next-step'

const anyDial: fc.Arbitrary<Dial> = fc.constantFrom(
  { min: 0, max: 9, normal: 4, step: 0.5 },
  { min: 0, max: 10, normal: 5, step: 0.25 },
  { min: 1, max: 5, normal: 3, step: 0.25 },
  { min: -2, max: 2, normal: 0, step: 0.1 },
)
const anyQuestion: fc.Arbitrary<TensionQuestion> = anyDial.chain((dial) => {
  const marks = Math.round((dial.max - dial.min) / dial.step)
  const mark = fc.nat(marks).map((steps) => Number((dial.min + steps * dial.step).toFixed(6)))
  return fc.record({
    dial: fc.constant(dial),
    target: fc.constantFrom(...TARGETS),
    start: mark,
    done: fc.constant([...GATES]),
    swatches: fc.array(
      fc.record({ dial: mark, top: fc.constantFrom(...TOP_LOOKS), under: fc.constantFrom(...UNDER_LOOKS) }),
      { minLength: 1, maxLength: 6 },
    ),
    role: fc.constantFrom('learner', 'staff' as const),
    school: fc.constantFrom('hands-on', 'hands-off' as const),
    bobbinScrew: fc.boolean(),
  })
})
const dial = { min: 0, max: 9, normal: 4, step: 0.5 }
const at = (mark: number, top: SwatchAt['top'], under: SwatchAt['under'] = 'own'): SwatchAt => ({
  dial: mark,
  top,
  under,
})
const ask = (swatches: readonly SwatchAt[], more: Partial<TensionQuestion> = {}) =>
  nextStep({
    dial,
    target: 'straight',
    done: [...GATES],
    swatches,
    role: 'staff',
    school: 'hands-on',
    bobbinScrew: false,
    ...more,
  })

describe('the next dial', () => {
  it('is a mark that was not tried, within two numbers of the start, on the side that the reading asks for', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { next, reading, interval } = nextStep(question)
        if (next.do !== 'dial') {
          expect(next.dial).toBeUndefined()
          return
        }
        const last = question.swatches.at(-1)!.dial
        const unit = dialUnit(question.dial)
        const steps = (next.dial! - question.dial.min) / question.dial.step
        expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
        expect(Math.abs(next.dial! - question.start!)).toBeLessThanOrEqual(2 * unit + 1e-6)
        expect(question.swatches.map((swatch) => swatch.dial)).not.toContain(next.dial)
        expect(Math.sign(next.dial! - last)).toBe(reading.includes('tight') ? -1 : 1)
        if (question.swatches.length === 1) expect(Math.abs(next.dial! - last)).toBeGreaterThanOrEqual(unit - 1e-6)
        expect(interval![0]).toBeLessThanOrEqual(next.dial!)
        expect(interval![1]).toBeGreaterThanOrEqual(next.dial!)
      }),
      { numRuns: 400 },
    ))

  it('is never told to a learner where hands are off, nor after five swatches', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { next } = nextStep(question)
        if (question.role === 'learner' && question.school === 'hands-off') expect(next.do).not.toBe('dial')
        if (question.swatches.length >= 5) expect(next.do).not.toBe('dial')
        if (question.role === 'learner') expect(['service', 'bobbin-screw']).not.toContain(next.do)
      }),
    ))

  it('lies between a reading that was too tight and one that was too loose', () => {
    const { next } = ask([at(5, 'dots'), at(3, 'own', 'dots')])
    expect(next.do).toBe('dial')
    expect(next.dial).toBeGreaterThan(3)
    expect(next.dial).toBeLessThan(5)
  })

  it('goes further after a line than after dots, and further on a thick stack', () => {
    expect(ask([at(5, 'line')]).next.dial!).toBeLessThanOrEqual(ask([at(5, 'dots')]).next.dial!)
    const thick = ask([at(4, 'dots')], { stackMm: 1.6 }).next.dial!
    expect(thick).toBeLessThanOrEqual(ask([at(4, 'dots')], { stackMm: 0.4 }).next.dial!)
  })

  it('leans on what this machine did on other days', () => {
    const past = [at(2.5, 'own'), at(2.5, 'own'), at(2.5, 'own'), at(2, 'own', 'dots'), at(4, 'dots')]
    expect(ask([at(4, 'dots')], { past }).next.dial).toBe(2.5)
  })

  it('is none when three swatches show that turning changes nothing', () => {
    const flat = ask([at(4, 'dots'), at(3, 'dots'), at(2, 'dots')])
    expect(flat.next.do).toBe('not-the-dial')
    expect(flat.because).toContain('it is not the dial')
    // Backwards is no better.
    expect(ask([at(4, 'dots'), at(3, 'dots'), at(2, 'line')]).next.do).toBe('not-the-dial')
    // Two swatches, or three close together, prove nothing.
    expect(ask([at(4, 'dots'), at(3, 'dots')]).next.do).toBe('dial')
  })

  it('does not count swatches that no dial answers for', () => {
    const nest = at(4, 'own', 'nest')
    const skipped: SwatchAt = { ...at(3, 'line'), signs: ['skipped'] }
    expect(ask([nest, skipped, at(4, 'dots')]).interval).toEqual(ask([at(4, 'dots')]).interval)
    expect(ask([nest]).interval).toBeUndefined()
  })
})

describe('the fitted line', () => {
  it('knows nothing but the start before a swatch, and narrows with each', () => {
    const question = { start: 4, unit: 1, target: 0 }
    const width = ([from, to]: readonly [number, number]) => to - from
    const none = fitDial([], question)
    expect(none.best).toBeCloseTo(4, 1)
    const one = fitDial([{ dial: 5, s: 1 }], question)
    const two = fitDial(
      [
        { dial: 5, s: 1 },
        { dial: 3, s: -1 },
      ],
      question,
    )
    expect(width(one.interval)).toBeLessThan(width(none.interval))
    expect(width(two.interval)).toBeLessThan(width(one.interval))
    expect(two.best).toBeCloseTo(4, 0)
  })

  it('is the same on any scale, in that scale’s marks', () =>
    fc.assert(
      fc.property(fc.constantFrom(0.2, 0.5, 2, 10), fc.constantFrom(-3, -1, 0, 1, 3), (unit, s) => {
        const one = fitDial([{ dial: 5, s }], { start: 4, unit: 1, target: 0 })
        const scaled = fitDial([{ dial: 5 * unit, s }], { start: 4 * unit, unit, target: 0 })
        expect(scaled.best).toBeCloseTo(one.best * unit, 6)
        expect(scaled.interval[1]).toBeCloseTo(one.interval[1] * unit, 6)
      }),
    ))
})
