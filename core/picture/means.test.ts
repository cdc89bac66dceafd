import fc from 'fast-check'
import { expect, it } from 'vitest'
import { boxMeans } from './means'

it('the mean around a place is that of whatever lies in its square', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 0, max: 11 }),
      fc.infiniteStream(fc.integer({ min: -50, max: 50 })),
      (width, height, reach, stream) => {
        const values = Float32Array.from({ length: width * height }, () => stream.next().value as number)
        const means = boxMeans(values, width, height, reach)
        for (let at = 0; at < values.length; at += 1) {
          const around = [...values].filter(
            (_, other) =>
              Math.abs((other % width) - (at % width)) <= reach &&
              Math.abs(Math.floor(other / width) - Math.floor(at / width)) <= reach,
          )
          expect(means[at]).toBeCloseTo(around.reduce((sum, each) => sum + each, 0) / around.length, 4)
        }
      },
    ),
  ))
