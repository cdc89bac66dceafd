import fc from 'fast-check'
import { expect, it } from 'vitest'
import { halvings, smaller } from './smaller'

const picture = (width: number, height: number, shade: (column: number, row: number) => number) => ({
  width,
  height,
  pixels: Uint8ClampedArray.from({ length: width * height * 3 }, (_, at) => {
    const pixel = Math.floor(at / 3)
    return shade(pixel % width, Math.floor(pixel / width)) + (at % 3)
  }),
})

it('is the mean of what lies under each pixel, whatever the factor', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 60 }),
      fc.integer({ min: 8, max: 60 }),
      fc.double({ min: 1, max: 7, noNaN: true }),
      (width, height, asked) => {
        // A slope has in the middle of each larger pixel what that pixel is the mean of.
        const from = picture(width, height, (column, row) => 20 + column + 2 * row)
        const { picture: small, times } = smaller(from, asked)
        expect(asked / times).toBeGreaterThanOrEqual(1)
        expect(asked / times).toBeLessThan(1.2)
        let farthest = 0
        for (let row = 0; row < small.height; row += 1)
          for (let column = 0; column < small.width; column += 1) {
            const middle = (at: number) => (at + 0.5) * times - 0.5
            const is = 20 + middle(column) + 2 * middle(row)
            for (const of of [0, 1, 2])
              farthest = Math.max(farthest, Math.abs(small.pixels[(row * small.width + column) * 3 + of]! - is - of))
          }
        expect(farthest).toBeLessThan(2.1)
      },
    ),
  ))

it('keeps all of the light there is, in fractions of a pixel too', () => {
  const from = picture(600, 400, (column, row) => (column * 7 + row * 13) % 200)
  const meanOf = ({ pixels }: { pixels: ArrayLike<number> }) =>
    Array.from(pixels).reduce((sum, value) => sum + value, 0) / pixels.length
  for (const times of [1.3, 1.7, 2, 2.9, 5.4])
    expect(meanOf(smaller(from, times).picture)).toBeCloseTo(meanOf(from), -1)
})

it('halves once, and as often as is asked and no more', () => {
  const from = picture(64, 64, (column) => column)
  expect(smaller(from, 4).picture).toBe(smaller(from, 4).picture)
  expect([0.4, 1, 1.9, 2, 3.9, 4, 8.5].map(halvings)).toEqual([1, 1, 1, 2, 2, 4, 8])
  expect(smaller(from, 1).picture).toBe(from)
})
