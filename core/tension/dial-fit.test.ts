import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DIAL_FIT } from '../knowledge/tension/dial-fit'
import { expectedSlope, fitDial, plainSlope, type DialReading } from './dial-fit'

/** Swatches that were measured, of a dial that is right at `best` and changes the score by `slope` with one mark. */
const measured = (dials: readonly number[], best: number, slope: number, spread = 0.02): DialReading[] =>
  dials.map((dial) => ({ dial, s: slope * (dial - best), spread }))
const around = (middle: number, unit: number) => [-3, -2, -1, 0, 1, 2, 3].map((step) => middle + step * unit)
const QUESTION = { start: 4, unit: 1, target: 0 } as const

describe('what a score changes with one number of an ordinary dial', () => {
  it('is less on a thick stack and more on a thin one, between limits; an ordinary one where nobody knows', () => {
    expect(expectedSlope(undefined)).toBe(0.8)
    expect(expectedSlope(0.6)).toBeCloseTo(0.8, 9)
    expect(expectedSlope(1.2)).toBeCloseTo(0.4, 9)
    expect(expectedSlope(0.3)).toBeCloseTo(1.6, 9)
    expect(expectedSlope(60)).toBeCloseTo(0.8 * DIAL_FIT.thinnest, 9)
    expect(expectedSlope(0.01)).toBeCloseTo(0.8 * DIAL_FIT.thickest, 9)
  })

  it('of plain readings is that of the line through them; none where the dial never moved', () => {
    const line = fc.record({
      dials: fc.uniqueArray(fc.integer({ min: 0, max: 36 }), { minLength: 2, maxLength: 6 }),
      slope: fc.double({ min: -3, max: 3, noNaN: true }),
      at0: fc.double({ min: -2, max: 2, noNaN: true }),
    })
    fc.assert(
      fc.property(line, ({ dials, slope, at0 }) => {
        const readings = dials.map((dial) => ({ dial: dial / 4, s: at0 + (slope * dial) / 4 }))
        expect(plainSlope(readings)).toBeCloseTo(slope, 6)
      }),
    )
    expect(plainSlope([1, 2, -1].map((s) => ({ dial: 4, s })))).toBeUndefined()
    // Where they do not lie on a line, it is the one that leaves the least squares.
    expect(plainSlope([0, 2, 1, 3].map((s, dial) => ({ dial, s })))).toBeCloseTo(0.8, 9)
  })
})

describe('the fit of a dial', () => {
  it('begins at the kit’s start, as wide on either side, with the slope that dials usually have', () => {
    for (const unit of [1, 0.5]) {
      const { best, interval, slope, chance } = fitDial([], { ...QUESTION, unit })
      expect(best).toBeCloseTo(4, 6)
      expect(4 - interval[0]).toBeCloseTo(interval[1] - 4, 6)
      expect(interval[1] - 4).toBeGreaterThan(unit)
      expect(interval[1] - 4).toBeLessThan(3 * unit)
      // The mean of slopes that differ by a factor each way is a little above the middle one.
      expect(slope * unit).toBeGreaterThan(0.8)
      expect(slope * unit).toBeLessThan(0.8 * 1.25)
      expect(chance(4)).toBeGreaterThan(chance(4 + unit))
      expect(chance(4 + unit)).toBeCloseTo(chance(4 - unit), 6)
    }
  })

  it('finds place and slope of a dial that was measured, in its own marks, wherever it starts', () => {
    const dial = fc.record({
      off: fc.double({ min: -2, max: 2, noNaN: true }),
      unit: fc.constantFrom(0.5, 1, 2),
      factor: fc.double({ min: 0.6, max: 1.7, noNaN: true }),
      target: fc.constantFrom(-1, 0, 1),
    })
    fc.assert(
      fc.property(dial, ({ off, unit, factor, target }) => {
        const [start, best, slope] = [4 * unit, (4 + off) * unit, (0.8 * factor) / unit]
        const readings = measured(around(best, unit), best, slope).map(({ s, ...each }) => ({ ...each, s: target + s }))
        const fit = fitDial(readings, { start, unit, target })
        expect(Math.abs(fit.best - best)).toBeLessThan(0.15 * unit)
        expect(fit.slope / slope).toBeGreaterThan(0.8)
        expect(fit.slope / slope).toBeLessThan(1.25)
        expect(fit.interval[0]).toBeLessThan(fit.best)
        expect(fit.interval[1]).toBeGreaterThan(fit.best)
        expect(fit.interval[1] - fit.interval[0]).toBeLessThan(0.8 * unit)
      }),
      { numRuns: 30 },
    )
  })

  it('says of a mark how likely a swatch shows there what the stitch wants', () => {
    const fit = fitDial(measured(around(5, 1), 5, 0.8), QUESTION)
    // The eye errs by 0.35, and a face shows its own colour alone within 0.5 of the middle.
    expect(fit.chance(5)).toBeGreaterThan(0.75)
    expect(fit.chance(5)).toBeLessThan(0.9)
    // Where the score is 1.6 it shows dots; where it is 4 a line.
    expect(fit.chance(7)).toBeLessThan(0.02)
    expect(fit.chance(3)).toBeLessThan(0.02)
    expect(Math.abs(fit.chance(5.7) - fit.chance(4.3))).toBeLessThan(0.08)
    expect(fit.chance(5.7)).toBeLessThan(fit.chance(5))
    const wants = (accepted: readonly number[], target: number) =>
      fitDial(
        measured(around(5, 1), 5, 0.8).map(({ s, ...each }) => ({ ...each, s: target + s })),
        { ...QUESTION, target, accepted },
      )
    // Own colour and dots on one side are both well: the chance is that of the whole range.
    expect(wants([0, 1], 0.75).chance(5)).toBeGreaterThan(0.97)
    expect(wants([1, 0], 0.75).chance(5)).toBeGreaterThan(0.97)
    expect(wants([-1], -1).chance(5)).toBeGreaterThan(0.8)
    expect(wants([-1], -1).chance(7)).toBeLessThan(0.1)
    // A line wants at least so much, and never too much.
    expect(wants([2], 3).chance(8)).toBeGreaterThan(0.97)
    expect(wants([2], 3).chance(2)).toBeLessThan(0.1)
  })

  it('is the same whichever way round the faces are named', () => {
    const seen = fc.array(
      fc.record({ step: fc.integer({ min: -8, max: 8 }), s: fc.constantFrom(-3, -2, -1, 0, 1, 2, 3) }),
      { minLength: 1, maxLength: 5 },
    )
    fc.assert(
      fc.property(seen, (swatches) => {
        const at = (side: 1 | -1) =>
          fitDial(
            swatches.map(({ step, s }) => ({ dial: 4 + (side * step) / 2, s: side * s })),
            QUESTION,
          )
        const [one, other] = [at(1), at(-1)]
        expect(one.best - 4).toBeCloseTo(4 - other.best, 6)
        expect(one.slope).toBeCloseTo(other.slope, 6)
        expect(one.interval[0] - 4).toBeCloseTo(4 - other.interval[1], 6)
      }),
    )
  })

  it('takes a swatch of another day for less, and dots for no more than dots', () => {
    const dots = (past: boolean) => fitDial([{ dial: 4, s: 1, past }], QUESTION).best
    expect(dots(false)).toBeLessThan(dots(true))
    expect(dots(true)).toBeLessThan(4)
    const seen = (s: number) => fitDial([{ dial: 4, s }], QUESTION).best
    expect([3, 2, 1, 0, -1, -2, -3].map(seen)).toEqual([3, 2, 1, 0, -1, -2, -3].map(seen).sort((a, b) => a - b))
    expect(seen(2)).toBeLessThan(seen(1) - 0.3)
    expect(seen(3)).toBeCloseTo(seen(2), 9)
  })
})
