import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STITCH_FAULTS } from '../knowledge/stitch/lockstitch'
import { readSwatch } from '../tension/reading'
import { faceShapes, needlePoints, sectionShapes, STITCH_KINDS, type DrawnStitch } from './geometry'
import { sewLine, type StitchSetup } from './lockstitch'

const ordinary: StitchSetup = {
  dial: { min: 0, max: 9, normal: 4 },
  at: 4,
  topThreadMm: 0.2,
  bobbinThreadMm: 0.2,
  bobbinSpring: 1,
  stackMm: 0.6,
  massGsm: 150,
  dense: false,
  lengthMm: 2.5,
  widthMm: 0,
  fault: 'none',
}
const sew = (more: Partial<StitchSetup> = {}) => sewLine({ ...ordinary, ...more })
const sheer = { massGsm: 50, stackMm: 0.25, topThreadMm: 0.16, bobbinThreadMm: 0.16 }

describe('a line of stitches', () => {
  it('is balanced at the normal mark with the reference thread', () => {
    expect(sew()).toMatchObject({ lockMm: 0, s: 0, look: { top: 'own', under: 'own', signs: [] } })
  })

  it('draws the bobbin up when the dial is turned up, and sends the top thread below when it is turned down', () => {
    expect(sew({ at: 6 }).look).toMatchObject({ top: 'dots', under: 'own' })
    expect(sew({ at: 9 }).look).toMatchObject({ top: 'line', under: 'own' })
    expect(sew({ at: 2 }).look).toMatchObject({ top: 'own', under: 'dots' })
    expect(sew({ at: 0 }).look).toMatchObject({ top: 'own', under: 'loops' })
  })

  it('with a thicker top thread pulls the bobbin up at the same dial', () => {
    expect(sew({ topThreadMm: 0.3 }).s).toBeGreaterThan(0.5)
    expect(sew({ bobbinThreadMm: 0.3 }).s).toBeLessThan(-0.5)
  })

  it('shows on thin cloth what thick cloth hides, and stays balanced for more layers', () => {
    const thin = sew({ at: 5 }).s
    expect(sew({ at: 5, stackMm: 2.4 }).s).toBeLessThan(thin / 3)
    expect(sew({ stackMm: 4.8 }).s).toBe(0)
  })

  it('keeps its balance when both threads are held more, and puckers more', () => {
    // Twice the hold on both: the dial up by ln 2 ÷ 0.35 numbers, the spring twice as hard.
    const both = sew({ at: 4 + Math.log(2) / 0.35, bobbinSpring: 2 })
    expect(both.s).toBeCloseTo(0, 9)
    expect(both.pucker.byTension).toBeCloseTo(2 * sew().pucker.byTension, 9)
  })

  it('loops at any dial when the thread lies outside the discs', () => {
    for (let at = 0; at <= 9; at += 1) expect(sew({ at, fault: 'out-of-discs' })).toMatchObject({ s: -3, nest: true })
  })

  it('skips at any dial with a worn or a wrong needle', () => {
    for (const fault of ['worn-needle', 'wrong-point'] as const)
      for (let at = 0; at <= 9; at += 1) expect(sew({ at, fault }).look.signs).toContain('skipped')
  })

  it('puckers on a sheer at the normal mark, cured by a number less and a shorter stitch', () => {
    expect(sew(sheer).look.signs).toContain('puckered')
    expect(sew({ ...sheer, at: 3, lengthMm: 1.8 }).look.signs).not.toContain('puckered')
    expect(sew().look.signs).toEqual([])
  })

  it('puckers a dense weave with a very short stitch, by crowding and not by tension', () => {
    const { pucker, look } = sew({ dense: true, lengthMm: 0.8 })
    expect(pucker.byCrowding).toBeGreaterThan(1)
    expect(pucker.byTension).toBeLessThan(1)
    expect(look.signs).toContain('puckered')
  })

  it('makes a ridge with a twin and a tight bobbin', () => {
    expect(sew({ gapMm: 3, bobbinSpring: 1 }).look.signs).not.toContain('ridge')
    expect(sew({ gapMm: 3, bobbinSpring: 1.6 }).look.signs).toContain('ridge')
  })

  it('is monotone in the dial, for any setup without a fault', () =>
    fc.assert(
      fc.property(
        fc.record({
          at: fc.double({ min: 0, max: 8.9, noNaN: true }),
          topThreadMm: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
          bobbinSpring: fc.double({ min: 0.3, max: 3, noNaN: true }),
          stackMm: fc.double({ min: 0.1, max: 8, noNaN: true }),
        }),
        (setup) => {
          expect(sew({ ...setup, at: setup.at + 0.1 }).s).toBeGreaterThanOrEqual(sew(setup).s)
          expect(Math.abs(sew(setup).s)).toBeLessThanOrEqual(3)
        },
      ),
    ))

  it('looks so that its reading says what was wrong', () => {
    for (const fault of STITCH_FAULTS) {
      const { look } = sew({ fault })
      const { reading } = readSwatch(look, 'straight')
      expect([fault, reading]).toEqual([
        fault,
        {
          none: 'balanced',
          'out-of-discs': 'threading',
          'tails-loose': 'threading',
          'worn-needle': 'balanced',
          'wrong-point': 'balanced',
          'reversed-bobbin': 'top-little-tight',
          'tight-eye': 'top-little-tight',
        }[fault],
      ])
    }
  })
})

describe('its shapes', () => {
  const anyStitch: fc.Arbitrary<DrawnStitch> = fc.record({
    kind: fc.constantFrom(...STITCH_KINDS),
    lengthMm: fc.double({ min: 0.4, max: 6, noNaN: true }),
    widthMm: fc.double({ min: 0, max: 7, noNaN: true }),
    gapMm: fc.constantFrom(1.6, 2.5, 4),
    topThreadMm: fc.double({ min: 0.1, max: 0.4, noNaN: true }),
    bobbinThreadMm: fc.double({ min: 0.1, max: 0.4, noNaN: true }),
    stackMm: fc.double({ min: 0.2, max: 6, noNaN: true }),
    needleMm: fc.constantFrom(0.7, 0.8, 1),
    lockMm: fc.double({ min: -4, max: 4, noNaN: true }),
    s: fc.double({ min: -3, max: 3, noNaN: true }),
    skipped: fc.constantFrom(0, 0.25),
  })

  it('show the other thread on exactly the face that it was drawn to', () =>
    fc.assert(
      fc.property(anyStitch, (stitch) => {
        const shows = (face: 'top' | 'under') =>
          faceShapes(stitch, face, 30).some(
            (shape) => shape.kind !== 'hole' && shape.thread === (face === 'top' ? 'bobbin' : 'top'),
          )
        expect(shows('top')).toBe(stitch.s > 0.15)
        expect(shows('under')).toBe(-stitch.s > 0.15)
      }),
    ))

  it('keep the lock between the threads, and leave out skipped stitches', () =>
    fc.assert(
      fc.property(anyStitch, (stitch) => {
        const limit = stitch.stackMm / 2 + Math.max(stitch.topThreadMm, stitch.bobbinThreadMm)
        const drawn = sectionShapes(stitch, 20).flatMap((shape) => (shape.kind === 'thread' ? shape.points : []))
        expect(drawn.filter(({ y }) => !(Math.abs(y) <= limit + 1e-9))).toEqual([])
        const all = needlePoints({ ...stitch, skipped: 0 }, 40).length
        const some = needlePoints({ ...stitch, skipped: 0.25 }, 40).length
        expect(some).toBe(all - Math.floor(all / 4))
      }),
    ))

  it('swing as each stitch does', () => {
    const base = {
      lengthMm: 1,
      widthMm: 3,
      topThreadMm: 0.2,
      bobbinThreadMm: 0.2,
      stackMm: 0.6,
      needleMm: 0.8,
      lockMm: 0,
      s: 0,
      skipped: 0,
    }
    const across = (kind: DrawnStitch['kind']) => needlePoints({ ...base, kind, gapMm: 4 }, 6).map(({ y }) => y)
    expect(across('straight')).toEqual([0, 0, 0, 0, 0, 0, 0])
    expect(across('zigzag')).toEqual([-1.5, 1.5, -1.5, 1.5, -1.5, 1.5, -1.5])
    expect(across('three-step')).toEqual([-1.5, -0.5, 0.5, 1.5, 0.5, -0.5, -1.5])
    expect(across('twin')).toEqual([-2, -2, -2, -2, -2, -2, -2])
    const twin = faceShapes({ ...base, kind: 'twin', gapMm: 4 }, 'under', 3)
    // One bobbin thread joins both lines underneath.
    expect(
      twin.filter(
        (shape) =>
          shape.kind === 'thread' && shape.points.some(({ y }) => y < -1) && shape.points.some(({ y }) => y > 1),
      ).length,
    ).toBeGreaterThan(2)
  })
})
