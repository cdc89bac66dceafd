import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TARGETS, TOP_LOOKS, UNDER_LOOKS } from '../knowledge/tension/tension'
import { underLook, topLook } from '../stitch/lockstitch'
import { nextStep, type SwatchAt, type TensionQuestion } from './next-step'
import { cameraCorrected, cameraTally, measuredScore } from './reading'

const photographed = (dial: number, score: number, spread = 0.25): SwatchAt => ({
  dial,
  top: topLook(score),
  under: underLook(score),
  camera: {
    top: { look: topLook(score), score: Math.max(0, score), spread },
    under: { look: underLook(score), score: Math.min(0, score), spread },
  },
})
const byEye = ({ camera: _, ...swatch }: SwatchAt): SwatchAt => swatch
const ask = (swatches: readonly SwatchAt[], more: Partial<TensionQuestion> = {}) =>
  nextStep({
    dial: { min: 0, max: 9, normal: 4, step: 0.5 },
    target: 'straight',
    done: ['rethreaded', 'needle', 'bobbin', 'same-thread', 'clean'],
    swatches,
    role: 'staff',
    school: 'hands-on',
    bobbinScrew: false,
    ...more,
  })

describe('a swatch that a camera measured', () => {
  it('tells the adviser how far off it is: few dots ask for less of a turn than many, which look the same to an eye', () => {
    const [few, many] = [photographed(4, 0.6), photographed(4, 1.9)]
    expect([few.top, many.top]).toEqual(['dots', 'dots'])
    const width = ({ interval }: ReturnType<typeof ask>) => interval![1] - interval![0]
    expect(ask([few]).next.dial!).toBeGreaterThan(ask([many]).next.dial!)
    expect(ask([byEye(few)]).next.dial).toBe(ask([byEye(many)]).next.dial)
    expect(width(ask([few]))).toBeLessThan(width(ask([byEye(few)])))
  })

  it('is what the person says it is: a face that was corrected measures nothing', () => {
    const corrected: SwatchAt = { ...photographed(4, 1.2), top: 'line' }
    expect(cameraCorrected(corrected)).toBe(1)
    expect(measuredScore(corrected)).toBeUndefined()
    expect(ask([corrected])).toEqual(ask([byEye(corrected)]))
  })

  it('is counted face by face, and so is what was put right by hand', () => {
    const right = photographed(4, 1.2)
    const { under: _, ...topOnly } = right.camera!
    expect(cameraTally([right, byEye(right), { ...right, top: 'line' }, { ...right, camera: topOnly }])).toEqual({
      faces: 5,
      corrected: 1,
    })
  })

  it('says no more than a face can show, and nothing of a nest', () => {
    expect(measuredScore(photographed(4, 3))).toBeUndefined()
    expect(measuredScore(photographed(4, 0.2))).toBeUndefined()
    expect(measuredScore({ ...photographed(4, -1), under: 'nest' })).toBeUndefined()
  })

  it('never changes what a swatch is called, nor whether it is good', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...TARGETS),
        fc.constantFrom(...TOP_LOOKS),
        fc.constantFrom(...UNDER_LOOKS),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (target, top, under, score, spread) => {
          const swatch: SwatchAt = {
            dial: 4,
            top,
            under,
            camera: {
              top: { look: top, score, spread },
              under: { look: under, score: under === 'nest' ? null : -score, spread },
            },
          }
          const [measured, seen] = [ask([swatch], { target }), ask([byEye(swatch)], { target })]
          expect([measured.reading, measured.onTarget, measured.next.do]).toEqual([
            seen.reading,
            seen.onTarget,
            seen.next.do,
          ])
        },
      ),
      { numRuns: 300 },
    ))
})
