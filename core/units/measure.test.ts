import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { METRIC, metricFrom, shownIn, unitOf, type Quantity, type Units } from './measure'

const INCH: Units = { length: 'inch', mass: 'ounces' }
const anyUnits = fc.record({
  length: fc.constantFrom('metric' as const, 'inch' as const),
  mass: fc.constantFrom('grams' as const, 'ounces' as const),
})
const anyQuantity = fc.constantFrom<Quantity>('clothMass', 'weight', 'thickness', 'piece', 'seam')

describe('what is measured at a table', () => {
  it('is the same number again whichever unit it was shown in', () =>
    fc.assert(
      fc.property(
        anyQuantity,
        anyUnits,
        fc.double({ min: 0.01, max: 5000, noNaN: true }),
        (quantity, units, metric) => {
          expect(metricFrom(quantity, shownIn(quantity, metric, units), units)).toBeCloseTo(metric, 8)
          expect(shownIn(quantity, metric, METRIC)).toBe(metric)
        },
      ),
    ))

  it('reads as a cutting table knows it', () => {
    const shown = (quantity: Quantity, metric: number) =>
      `${shownIn(quantity, metric, INCH).toFixed(1)} ${unitOf(quantity, INCH)}`
    // A jeans cloth, a ten-centimetre square, a spool's hundred metres.
    expect(shown('clothMass', 400)).toBe('11.8 oz/yd²')
    expect(shown('piece', 10)).toBe('3.9 in')
    expect(shown('seam', 91.44)).toBe('100.0 yd')
    expect(shown('thickness', 0.508)).toBe('20.0 thou')
    expect(shown('weight', 28.3495)).toBe('1.0 oz')
    // One who weighs in grams and measures in inches mixes them.
    expect(unitOf('clothMass', { length: 'inch', mass: 'grams' })).toBe('g/m²')
  })
})
