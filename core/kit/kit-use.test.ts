import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { completeFabric } from '../fabric/intake'
import { computeKit } from './kit'
import { isTwin, POINTS } from '../knowledge/needle/needle'
import { anyRequest } from '../testing/arbitraries'
import { kitUse } from './kit-use'

const VOLUME = 2400

describe('the thread that a kit takes', () => {
  it('is some, grows with what is sewn, and always fits the bobbins that are wound', () =>
    fc.assert(
      fc.property(
        anyRequest,
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 20 }),
        (request, seamM, starts) => {
          for (const kit of computeKit(request).kits) {
            const stack = completeFabric(request.fabric).thicknessMm * request.layers.seam
            const use = kitUse(kit, { seamM, starts }, stack, VOLUME, false)
            const longer = kitUse(kit, { seamM: seamM + 1, starts }, stack, VOLUME, false)
            const unpicked = kitUse(kit, { seamM, starts }, stack, VOLUME, true)
            expect(use.topM).toBeGreaterThan(seamM)
            expect(longer.topM).toBeGreaterThan(use.topM)
            expect(unpicked.topM).toBeGreaterThan(use.topM)
            expect(use.bobbins * use.capacityM).toBeGreaterThanOrEqual(use.bobbinM - 1e-9)
            expect(use.bobbins).toBeGreaterThanOrEqual(1)
            expect(Number.isInteger(use.bobbins)).toBe(true)
          }
        },
      ),
      { numRuns: 150 },
    ))

  it('is twice as much above for a twin needle, and once below', () => {
    const { kits } = computeKit({
      fabric: { structure: 'knit', massGsm: 200, stretchPercent: 40, traits: [] },
      layers: { seam: 2, crossing: 2 },
      operation: 'knit-hem',
    })
    const twin = kits.find(({ needle }) => isTwin(POINTS[needle.point]))!
    const { topM, bobbinM } = kitUse(twin, { seamM: 2, starts: 2 }, 1, VOLUME, false)
    expect(topM).toBeCloseTo(2 * bobbinM, 9)
  })
})
