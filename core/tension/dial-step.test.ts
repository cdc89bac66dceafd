import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { GATES, TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../knowledge/tension/tension'
import { topLook, underLook } from '../stitch/lockstitch'
import { after as ask, ORDINARY_DIAL } from '../testing/dials'
import { dialUnit, type Dial } from '../units/dial'
import { fitDial } from './dial-fit'
import { nextStep, type SwatchAt, type TensionQuestion } from './next-step'
import { readWritten } from './reading'

const anyDial: fc.Arbitrary<Dial> = fc.constantFrom(
  { min: 0, max: 9, normal: 4, step: 0.5 },
  { min: 0, max: 10, normal: 5, step: 0.25 },
  { min: 1, max: 5, normal: 3, step: 0.25 },
  { min: 1, max: 5, normal: 3, step: 1 },
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
const dial = ORDINARY_DIAL
const at = (mark: number, top: SwatchAt['top'], under: SwatchAt['under'] = 'own'): SwatchAt => ({
  dial: mark,
  top,
  under,
})

describe('the next dial', () => {
  it('is a place that was not tried, within reach, on the side that the reading asks for', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { next, reading, interval } = nextStep(question)
        if (next.do !== 'dial') {
          // Put back, stitched again, or as near as it comes: the only other steps that say where the dial stands.
          if (next.dial !== undefined) expect(['restore', 'check-bobbin', 'done']).toContain(next.do)
          return
        }
        const { dial, start, swatches, role } = question
        const last = swatches.at(-1)!.dial
        const unit = dialUnit(dial)
        const halves = ((next.dial! - dial.min) / dial.step) * 2
        expect(Math.abs(halves - Math.round(halves))).toBeLessThan(1e-6)
        const between = Math.round(halves) % 2 === 1
        // Between two marks only once both of them have been tried.
        const tried = (mark: number) => swatches.some((each) => Math.abs(each.dial - mark) < 1e-6)
        if (between)
          expect([tried(next.dial! - dial.step / 2), tried(next.dial! + dial.step / 2)]).toEqual([true, true])
        const reach = Math.max(2 * unit, 2 * dial.step)
        if (role === 'learner') expect(Math.abs(next.dial! - start!)).toBeLessThanOrEqual(reach + 1e-6)
        expect(next.dial).toBeGreaterThanOrEqual(dial.min)
        expect(next.dial).toBeLessThanOrEqual(dial.max)
        expect(tried(next.dial!)).toBe(false)
        expect(Math.sign(next.dial! - last)).toBe(reading.includes('tight') ? -1 : 1)
        if (swatches.length === 1)
          expect(Math.abs(next.dial! - last)).toBeGreaterThanOrEqual(Math.max(unit, dial.step) - 1e-6)
        expect(interval![0]).toBeLessThanOrEqual(next.dial!)
        expect(interval![1]).toBeGreaterThanOrEqual(next.dial!)
      }),
      { numRuns: 400 },
    ))

  it('is never told to a learner where hands are off, nor after five swatches; staff are never stopped by a count', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { next } = nextStep(question)
        if (question.role === 'staff') {
          expect(next.do).not.toBe('call-mentor')
          return
        }
        if (question.school === 'hands-off' || question.swatches.length >= 5) expect(next.do).not.toBe('dial')
        expect(['service', 'bobbin-screw']).not.toContain(next.do)
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
    const without = ask([at(4, 'dots')]).next.dial!
    const known = [at(2, 'own'), at(2, 'own'), at(2, 'own'), at(2, 'own'), at(4, 'dots')]
    expect(ask([at(4, 'dots')], { past: known }).next.dial).toBeLessThan(without)
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

/** A machine that answers exactly: a line whose balance lies on its scale, seen by an eye that does not err. */
const exact =
  (slope: number, place: number, on: Dial) =>
  (mark: number): SwatchAt => {
    const s = (slope / dialUnit(on)) * (mark - place)
    return { dial: mark, top: topLook(s), under: underLook(s) }
  }
const sewn = (stitch: (mark: number) => SwatchAt, more: Partial<TensionQuestion> & { dial: Dial }) => {
  const swatches = [stitch(more.dial.normal)]
  for (;;) {
    const step = ask(swatches, more)
    if (step.next.do !== 'dial' || swatches.length > 12) return { step, swatches }
    swatches.push(stitch(step.next.dial!))
  }
}

describe('a machine that works', () => {
  it('is always done for staff, whatever its slope and wherever on its scale it is right, and never called dead', () =>
    fc.assert(
      fc.property(
        anyDial,
        fc.double({ min: 0.35, max: 2.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (on, slope, share) => {
          const place = on.min + share * (on.max - on.min)
          const { step, swatches } = sewn(exact(slope, place, on), { dial: on })
          expect(step.next.do).toBe('done')
          expect(swatches.length).toBeLessThanOrEqual(7)
        },
      ),
      { numRuns: 400 },
    ))

  it('is done for a learner as soon as it is right within their reach', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1.5, noNaN: true }),
        fc.double({ min: -1.8, max: 1.8, noNaN: true }),
        (slope, off) => {
          const { step } = sewn(exact(slope, dial.normal + off, dial), { dial, role: 'learner' })
          expect(step.next.do).toBe('done')
        },
      ),
    ))

  it('takes half-way once, then the better of two marks, and says that nothing nearer is there', () => {
    const marks = [at(4, 'dots'), at(3, 'own', 'dots')]
    const whole = { min: 0, max: 9, normal: 4, step: 1 }
    expect(ask(marks, { dial: whole }).next).toEqual({ do: 'dial', dial: 3.5 })
    const near = ask([...marks, at(3.5, 'dots')], { dial: whole })
    expect(near).toMatchObject({ reading: 'as-near', next: { do: 'done', dial: 3 } })
    expect(near.because).toMatch(/as near as this dial comes.*thickest crossing/)
    const better = ask([at(4, 'line'), at(3, 'own', 'dots'), at(3.5, 'dots')], { dial: whole })
    expect([better.next.do, better.next.dial]).toEqual(['done', 3])
  })
})

describe('a dial that does nothing', () => {
  const stuck =
    (s: number) =>
    (mark: number): SwatchAt => ({ dial: mark, top: topLook(s), under: underLook(s) })
  it.each([1, -1, 1.6, -1.7])('is known within three swatches, at %s', (s) => {
    const { step, swatches } = sewn(stuck(s), { dial })
    expect([step.next.do, swatches.length]).toEqual(['not-the-dial', 3])
  })

  it.each([3, -3])('that shows all there is to see is no slope: bobbin spring, or thread (%s)', (s) => {
    expect(sewn(stuck(s), { dial }).step.next.do).toBe('check-bobbin')
    expect(sewn(stuck(s), { dial, bobbinScrew: true }).step.next.do).toBe('bobbin-screw')
    expect(sewn(stuck(s), { dial }).step.because).toContain('the bobbin spring, or the thread')
    expect(sewn(stuck(s), { dial, role: 'learner' }).step.next.do).toBe('call-mentor')
  })
})

describe('two opposite readings at one mark', () => {
  it('are stitched again after a look at the bobbin, and never a whole number', () => {
    const twice = ask([at(4, 'dots'), at(4, 'own', 'dots')])
    expect(twice.next).toEqual({ do: 'check-bobbin', dial: 4 })
    expect(twice.because).toContain('jerks')
    expect(ask([at(4, 'dots'), at(4, 'own', 'dots'), at(4, 'dots')])).toMatchObject({
      reading: 'as-near',
      next: { do: 'done', dial: 4 },
    })
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

it('a swatch is read in every place as it was written down: one taken as near as the dial comes is good, at its own mark', () => {
  const off = { dial: 3.5, target: 'straight', top: 'dots', under: 'own' } as const
  expect(readWritten(off)).toMatchObject({ reading: 'top-little-tight', onTarget: false, dial: 3.5 })
  expect(readWritten({ ...off, asNear: 3 })).toMatchObject({ reading: 'as-near', onTarget: true, dial: 3 })
  const good = { ...off, top: 'own' } as const
  expect(readWritten(good).onTarget).toBe(true)
  for (const never of [
    { ...good, signs: ['skipped'] },
    { ...good, signs: ['shredding'], asNear: 3 },
    { ...off, under: 'nest', asNear: 3 },
    { ...off, under: 'dots', asNear: 3 },
  ] as const)
    expect(readWritten(never)).toMatchObject({ onTarget: false, dial: 3.5 })
})
