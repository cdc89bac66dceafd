import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readPhotograph } from '../camera/read-photograph'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/cloth/fabric'
import { ORDINARY_TEST_THREADS } from '../room/venue-settings'
import { FRAME_START_MM, faceFrame, linesOf, ORDINARY_SEAM, STITCH_KINDS, type DrawnStitch } from '../stitch/geometry'
import { drawFace } from './face'
import { shownCloth, swatchScene, UNDYED, type ShownFace } from './swatch-scene'

const shown = (more: Partial<ShownFace> = {}): ShownFace => ({
  face: 'top',
  stitch: ORDINARY_SEAM,
  cloth: { structure: 'woven', massGsm: 130, colour: UNDYED },
  threads: ORDINARY_TEST_THREADS,
  lengthMm: 20,
  heightMm: 5,
  pxPerMm: 12,
  seed: 4,
  ...more,
})

const anyStitch: fc.Arbitrary<DrawnStitch> = fc.record({
  kind: fc.constantFrom(...STITCH_KINDS),
  lengthMm: fc.double({ min: 0.4, max: 5, noNaN: true }),
  widthMm: fc.double({ min: 0, max: 7, noNaN: true }),
  gapMm: fc.constantFrom(1.6, 2.5, 4),
  topThreadMm: fc.double({ min: 0.15, max: 0.4, noNaN: true }),
  bobbinThreadMm: fc.double({ min: 0.15, max: 0.4, noNaN: true }),
  stackMm: fc.constant(0.6),
  needleMm: fc.constantFrom(0.7, 0.9),
  lockMm: fc.constant(0),
  s: fc.double({ min: -3, max: 3, noNaN: true }),
  skipped: fc.constantFrom(0, 0.25),
})

describe('the picture of a face', () => {
  it('has a hole wherever its diagram has one, so that one can lie over the other', () =>
    fc.assert(
      fc.property(anyStitch, fc.constantFrom('top' as const, 'under' as const), (stitch, face) => {
        const frame = faceFrame(stitch, 20)
        const { holes } = swatchScene(shown({ stitch, face, ...frame })).face
        for (const { x, y } of linesOf(stitch, face, frame.lengthMm - 2 * FRAME_START_MM).holes) {
          const near = holes.map((hole) => Math.hypot(hole.x - x - FRAME_START_MM, hole.y - y - frame.heightMm / 2))
          // Threads are sewn by hand: a line strays a little.
          expect(Math.min(...near)).toBeLessThan(0.1)
        }
      }),
    ))

  it('shows the other thread on exactly the face that it was drawn to', () =>
    fc.assert(
      fc.property(anyStitch, fc.constantFrom('top' as const, 'under' as const), (stitch, face) => {
        const { strands } = swatchScene(shown({ stitch, face, ...faceFrame(stitch, 20) })).face
        const shows = face === 'top' ? stitch.s : -stitch.s
        expect(strands.some(({ of }) => of === 'other')).toBe(shows > 0.15)
      }),
    ))

  it('is the same to the byte for the same seed, and another for another', () => {
    const drawn = (seed: number) => drawFace(swatchScene(shown({ seed }))).pixels
    expect(drawn(4)).toEqual(drawn(4))
    expect(drawn(4)).not.toEqual(drawn(5))
  })

  it('can be drawn of every cloth that anybody may bring', () => {
    for (const structure of STRUCTURES)
      for (const trait of [undefined, ...TRAITS_OF_FABRIC]) {
        const cloth = shownCloth({ structure, ...(trait && { traits: [trait] }) })
        const { pixels } = drawFace(swatchScene(shown({ cloth, lengthMm: 8, pxPerMm: 8 })))
        expect(new Set(pixels).size, `${structure} ${trait}`).toBeGreaterThan(8)
      }
  })

  it.each([
    ['top', 'own', 0],
    ['top', 'dots', 1.2],
    ['top', 'line', 2.7],
    ['under', 'own', 0],
    ['under', 'dots', -1.2],
    ['under', 'loops', -2.7],
    ['under', 'nest', -3],
  ] as const)('of the %s that a person calls %s is called so by the camera too', (face, look, s) => {
    const scene = shown({
      face,
      stitch: { ...ORDINARY_SEAM, s },
      nest: look === 'nest',
      lengthMm: 110,
      heightMm: 30,
      pxPerMm: 14,
    })
    const read = readPhotograph(drawFace(swatchScene(scene)), [], { ...ORDINARY_TEST_THREADS, face })
    expect(read).toMatchObject({ read: true, look })
  })
})
