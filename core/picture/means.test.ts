import fc from 'fast-check'
import { expect, it } from 'vitest'
import { boxMeans } from './means'

it('is the mean of what lies in reach, at an edge and beyond it too', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 0, max: 15 }),
      fc.array(fc.integer({ min: 0, max: 255 }), { minLength: 144, maxLength: 144 }),
      (width, height, reach, from) => {
        const values = Float32Array.from(from.slice(0, width * height))
        const means = boxMeans(values, width, height, reach)
        for (let row = 0; row < height; row += 1)
          for (let column = 0; column < width; column += 1) {
            const near = [...values].filter(
              (_, at) => Math.abs(Math.floor(at / width) - row) <= reach && Math.abs((at % width) - column) <= reach,
            )
            expect(means[row * width + column]).toBeCloseTo(
              near.reduce((sum, value) => sum + value, 0) / near.length,
              3,
            )
          }
      },
    ),
  ))
