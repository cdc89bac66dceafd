import fc from 'fast-check'
import { expect, it } from 'vitest'
import { byteOf } from '../picture/picture'
import { planeThrough, refined, TAG_MM, toPixel, toPlace, type Corners } from './plane'

/** Four corners, each moved by no more than so many pixels from those of a square. */
const cornersWithin = (most: number): fc.Arbitrary<Corners> => {
  const part = (of: number) => fc.double({ min: of - most, max: of + most, noNaN: true })
  const corner = (x: number, y: number) => fc.record({ x: part(x), y: part(y) })
  return fc.tuple(corner(60, 60), corner(260, 60), corner(260, 260), corner(60, 260))
}

it('goes from the table to the photograph and back', () => {
  fc.assert(
    fc.property(
      cornersWithin(25),
      fc.double({ min: -20, max: 40, noNaN: true }),
      fc.double({ min: -20, max: 40, noNaN: true }),
      (corners, u, v) => {
        const plane = planeThrough(corners)
        for (const [index, [x, y]] of [
          [0, 0],
          [TAG_MM, 0],
          [TAG_MM, TAG_MM],
          [0, TAG_MM],
        ].entries()) {
          const at = toPixel(plane, x!, y!)
          expect(at.x).toBeCloseTo(corners[index]!.x, 6)
          expect(at.y).toBeCloseTo(corners[index]!.y, 6)
        }
        // Beyond the horizon nothing comes back.
        fc.pre(plane[6]! * u + plane[7]! * v + 1 > 0.2)
        const there = toPixel(plane, u, v)
        const back = toPlace(plane, there.x, there.y)
        expect(back.x).toBeCloseTo(u, 5)
        expect(back.y).toBeCloseTo(v, 5)
      },
    ),
  )
})

it('finds the corners of a code to a part of a pixel from a first guess that is two pixels off', () => {
  const count = 25
  const dark = (column: number, row: number) => (column * 7 + row * 13 + ((column * row) % 5)) % 3 === 0
  fc.assert(
    fc.property(
      cornersWithin(8),
      fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 8, maxLength: 8 }),
      (corners, offs) => {
        const plane = planeThrough(corners)
        const [width, height] = [320, 320]
        const pixels = new Uint8ClampedArray(width * height * 3)
        for (let row = 0; row < height; row += 1)
          for (let column = 0; column < width; column += 1) {
            let light = 0
            // Four looks at a pixel: an edge across it is grey.
            for (const [dx, dy] of [
              [-0.25, -0.25],
              [0.25, -0.25],
              [-0.25, 0.25],
              [0.25, 0.25],
            ] as const) {
              const { x, y } = toPlace(plane, column + dx, row + dy)
              const [u, v] = [Math.floor((x / TAG_MM) * count), Math.floor((y / TAG_MM) * count)]
              const ink = u >= 0 && v >= 0 && u < count && v < count && dark(u, v)
              light += ink ? 0.03 : 0.8
            }
            pixels.fill(byteOf(light / 4), (row * width + column) * 3, (row * width + column) * 3 + 3)
          }
        const guess = corners.map(({ x, y }, index) => ({ x: x + offs[index * 2]!, y: y + offs[index * 2 + 1]! }))
        const found = refined({ width, height, pixels }, guess as unknown as Corners, count)
        for (const [index, { x, y }] of found.entries())
          expect(Math.hypot(x - corners[index]!.x, y - corners[index]!.y)).toBeLessThan(0.3)
      },
    ),
    // Each draws a picture: what fails is told as it is, and not made smaller.
    { numRuns: 6, endOnFailure: true },
  )
})
