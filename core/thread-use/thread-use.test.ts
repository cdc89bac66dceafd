import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bobbinCapacityM, bobbinVolumeMm3, nominalVolumeMm3, threadUse, type ThreadUseQuestion } from './thread-use'

const polyester = { tex: 27, fibre: 'polyester' as const }
const seam: ThreadUseQuestion = {
  stitch: { iso: '301', lengthMm: 2.5, widthMm: 0 },
  stackMm: 0.5,
  seamM: 6,
  starts: 10,
  top: polyester,
  bobbin: polyester,
  bobbinVolumeMm3: 2290,
}

describe('thread for a seam', () => {
  it('is seam × (p + t) ÷ p with waste, and tails for every start', () => {
    const { topM, bobbinM, metresPerMetre, bobbins } = threadUse(seam)
    expect(topM).toBeCloseTo(6 * 1.2 * 1.15 + 10 * 0.36, 9)
    expect(bobbinM).toBe(topM)
    expect(metresPerMetre).toBeCloseTo(2.76, 9)
    expect(bobbins).toBe(1)
  })

  it('goes the long way round in a zigzag, doubles above for a twin, and a quarter more for beginners', () => {
    const zigzag = threadUse({ ...seam, stitch: { iso: '304', lengthMm: 2.5, widthMm: 4 } })
    expect(zigzag.metresPerMetre).toBeCloseTo(((Math.hypot(2.5, 4) + 0.5) / 2.5) * 1.15 * 2, 9)
    const twin = threadUse({ ...seam, twin: true })
    expect(twin.topM / twin.bobbinM).toBeCloseTo(2, 9)
    expect(threadUse({ ...seam, beginners: true }).topM / threadUse(seam).topM).toBeCloseTo(1.25, 9)
  })

  it('counts half a metre for each swatch, and winds bobbins to nine tenths', () => {
    expect(threadUse({ ...seam, swatches: 2 }).bobbinM - threadUse(seam).bobbinM).toBeCloseTo(1, 9)
    const capacity = bobbinCapacityM(2290, polyester)
    expect(capacity).toBeCloseTo(55, 0)
    const justOver = threadUse({ ...seam, starts: 0, seamM: (capacity * 0.9) / (1.2 * 1.15) + 0.01 })
    expect(justOver.bobbins).toBe(2)
  })

  it('never uses less for more seam, a thicker stack, a shorter stitch or more starts', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 8, noNaN: true }),
        fc.double({ min: 0.5, max: 5, noNaN: true }),
        fc.nat(40),
        (seamM, stackMm, lengthMm, starts) => {
          const base = { ...seam, seamM, stackMm, starts, stitch: { ...seam.stitch, lengthMm } }
          const use = threadUse(base).topM
          expect(threadUse({ ...base, seamM: seamM + 1 }).topM).toBeGreaterThan(use)
          expect(threadUse({ ...base, stackMm: stackMm + 1 }).topM).toBeGreaterThanOrEqual(use)
          expect(
            threadUse({ ...base, stitch: { ...base.stitch, lengthMm: lengthMm / 2 } }).topM,
          ).toBeGreaterThanOrEqual(use)
          expect(threadUse({ ...base, starts: starts + 1 }).bobbins).toBeGreaterThanOrEqual(threadUse(base).bobbins)
        },
      ),
    ))
})

describe('a bobbin', () => {
  it('holds what its measures say, and by class where nobody measured', () => {
    expect(bobbinVolumeMm3({ fillMm: 19.5, hubMm: 6.5, widthMm: 8.6 })).toBeCloseTo(2283, 0)
    expect(nominalVolumeMm3(' 15j ')).toBe(2290)
    expect(nominalVolumeMm3('its own')).toBeUndefined()
  })
})
