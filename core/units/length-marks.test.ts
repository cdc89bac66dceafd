import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lengthAtMark, nearestLengthMark, type LengthMarks } from './length-marks'

const anyMarks: fc.Arbitrary<LengthMarks> = fc
  .record({
    lowest: fc.integer({ min: 0, max: 3 }),
    span: fc.integer({ min: 2, max: 10 }),
    step: fc.constantFrom(0.25, 0.5, 1),
    short: fc.double({ min: 0.1, max: 1, noNaN: true }),
    long: fc.double({ min: 2, max: 7, noNaN: true }),
    backwards: fc.boolean(),
  })
  .map(({ lowest, span, step, short, long, backwards }) => ({
    lowest,
    highest: lowest + span,
    step,
    mmAtLowest: backwards ? long : short,
    mmAtHighest: backwards ? short : long,
  }))

describe('a length dial’s own marks', () => {
  it('run backwards where the dial does', () => {
    const backwards = { lowest: 1, highest: 5, step: 0.5, mmAtLowest: 4, mmAtHighest: 0.5 }
    expect(lengthAtMark(backwards, 1)).toBe(4)
    expect(nearestLengthMark(backwards, 2.5)).toEqual({ mark: 2.5, lengthMm: lengthAtMark(backwards, 2.5) })
    expect(nearestLengthMark(backwards, 9).mark).toBe(1)
    expect(nearestLengthMark(backwards, 0).mark).toBe(5)
  })

  it('are the nearest there are: no other mark comes nearer to the length wanted', () =>
    fc.assert(
      fc.property(anyMarks, fc.double({ min: 0, max: 8, noNaN: true }), (marks, wanted) => {
        const { mark, lengthMm } = nearestLengthMark(marks, wanted)
        expect(lengthAtMark(marks, mark)).toBeCloseTo(lengthMm, 9)
        for (let other = marks.lowest; other <= marks.highest + 1e-9; other += marks.step)
          expect(Math.abs(lengthMm - wanted)).toBeLessThanOrEqual(Math.abs(lengthAtMark(marks, other) - wanted) + 1e-9)
      }),
    ))
})
