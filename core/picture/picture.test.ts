import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CLOTH_LOOKS, type Cloth } from './cloth'
import { drawFace, type FaceScene } from './face'
import { byteOf, colourOf, linearOf, type Picture } from './picture'
import { sewFace, type SewnSeam } from './sewn-face'

const SEAM: SewnSeam = {
  from: 2,
  to: 28,
  middle: 6,
  stitchMm: 2.5,
  widthMm: 0,
  uneven: 0,
  wobbleMm: 0,
  ownMm: 0.3,
  otherMm: 0.3,
  otherShare: 0,
  loopMm: 0,
  nestMm: 0,
  skipped: 0,
  slack: 0,
  frayed: false,
}
const CLOTH: Cloth = { look: 'plain', colour: colourOf('#d9d2c3'), perCm: 20 }
const draw = (seam: Partial<SewnSeam> = {}, scene: Partial<FaceScene> = {}, seed = 3): Picture =>
  drawFace({
    widthMm: 30,
    heightMm: 12,
    pxPerMm: 12,
    cloth: CLOTH,
    own: { colour: colourOf('#23406e'), lustre: 0.4 },
    other: { colour: colourOf('#e07a1f'), lustre: 0.4 },
    face: sewFace({ ...SEAM, ...seam }, seed),
    holeMm: 0.7,
    pucker: 0,
    seed,
    ...scene,
  })

/** Millimetres of a picture in which there is orange, by how far from the seam it lies. */
function orange({ width, height, pixels }: Picture, fromMm: number): number {
  let count = 0
  for (let row = 0; row < height; row += 1) {
    if (Math.abs(row / 12 - SEAM.middle) < fromMm) continue
    for (let column = 0; column < width; column += 1) {
      const [red, green, blue] = [0, 1, 2].map((part) => pixels[(row * width + column) * 3 + part]!)
      if (red! > 90 && red! > 1.4 * green! && green! > 1.3 * blue!) count += 1
    }
  }
  return count / 144
}

describe('a face of a swatch', () => {
  it('is the same picture for the same seed, to the byte, and another for another', () => {
    const [one, again, other] = [draw(), draw(), draw({}, {}, 4)]
    expect(Buffer.from(again.pixels).equals(Buffer.from(one.pixels))).toBe(true)
    expect(Buffer.from(other.pixels).equals(Buffer.from(one.pixels))).toBe(false)
  })

  it('shows nothing of the other thread when it is balanced, and more the further that is drawn up', () => {
    const shown = [0, 0.15, 0.4, 0.8].map((otherShare) => orange(draw({ otherShare }), 0))
    expect(shown[0]).toBeLessThan(0.05)
    for (const [index, each] of shown.entries()) if (index > 0) expect(each).toBeGreaterThan(shown[index - 1]!)
  })

  it('has loops that stand off the line, and a nest that lies further off still', () => {
    expect(orange(draw({ otherShare: 0.3 }), 0.8)).toBe(0)
    expect(orange(draw({ loopMm: 1.6 }), 0.8)).toBeGreaterThan(0.5)
    expect(orange(draw({ loopMm: 1.6, nestMm: 8 }), 1.5)).toBeGreaterThan(orange(draw({ loopMm: 1.6 }), 1.5))
  })

  it.each(CLOTH_LOOKS)('has cloth of its own, %s, with light and shade and no pixel left out', (look) => {
    const { pixels } = draw({ to: 1, otherShare: 0 }, { cloth: { ...CLOTH, look } })
    const reds = pixels.filter((_, index) => index % 3 === 0)
    expect(Math.max(...reds) - Math.min(...reds)).toBeGreaterThan(2)
    expect(Math.max(...reds)).toBeGreaterThan(60)
  })
})

describe('what is sewn', () => {
  it('goes from hole to hole, and a skipped stitch is twice as long as the others', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.nat(10_000),
        (stitchMm, skipped, seed) => {
          const sewn = sewFace({ ...SEAM, to: 90, stitchMm, skipped }, seed)
          const long = sewn.stitches.filter((each) => each > 1.5 * stitchMm)
          expect(long).toHaveLength(sewn.skipped)
          expect(sewn.holes).toHaveLength(sewn.stitches.length + 1)
          for (const each of long) expect(each).toBeCloseTo(2 * stitchMm, 6)
        },
      ),
    )
  })

  it('of a zigzag has its points at both edges by turns', () => {
    const { holes } = sewFace({ ...SEAM, widthMm: 4, stitchMm: 1.5 }, 1)
    for (const [index, { y }] of holes.entries()) expect(y).toBeCloseTo(SEAM.middle + (index % 2 === 0 ? 2 : -2), 6)
  })
})

describe('colours', () => {
  it('come back from light as the bytes that they were', () => {
    for (let byte = 0; byte < 256; byte += 1) expect(Math.abs(byteOf(linearOf(byte)) - byte)).toBeLessThanOrEqual(1)
  })
})
