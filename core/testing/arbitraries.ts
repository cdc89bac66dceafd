import fc from 'fast-check'
import { FEET } from '../knowledge/stitch/foot'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/cloth/fabric'
import { NEEDLE_SYSTEMS, POINTS, type Point } from '../knowledge/needle/needle'
import { OPERATIONS, STITCHES } from '../knowledge/stitch/stitch'
import { THREAD_USES } from '../knowledge/thread/thread'
import { FIBRES, FINISHES } from '../units/thread'
import type { KitMachine, KitRequest, KitStock } from '../kit/request'

/** Random cloths, machines, threads and shelves, all of them within the schema. */
export const anyThread = fc.record(
  {
    tex: fc.double({ min: 8, max: 150, noNaN: true }),
    fibre: fc.constantFrom(...FIBRES),
    finish: fc.constantFrom(...FINISHES),
    strands: fc.constantFrom(1 as const, 2 as const),
  },
  { requiredKeys: ['tex', 'fibre'] },
)

export const anyFabric = fc.record(
  {
    structure: fc.constantFrom(...STRUCTURES),
    massGsm: fc.double({ min: 20, max: 900, noNaN: true }),
    thicknessMm: fc.double({ min: 0.05, max: 4, noNaN: true }),
    stretchPercent: fc.double({ min: 0, max: 120, noNaN: true }),
    traits: fc.uniqueArray(fc.constantFrom(...TRAITS_OF_FABRIC), { maxLength: 4 }),
  },
  { requiredKeys: ['structure', 'massGsm'] },
)

export const anyMachine: fc.Arbitrary<KitMachine> = fc
  .record({
    system: fc.constantFrom(...NEEDLE_SYSTEMS),
    needle: fc.tuple(fc.constantFrom(60, 65, 70, 80, 90), fc.constantFrom(90, 100, 110, 120, 140)),
    normal: fc.constantFrom(3, 4, 4.5, 5),
    step: fc.constantFrom(0.25, 0.5, 1),
    max: fc.constantFrom(7, 9, 10),
    byStitch: fc.option(fc.constant({ straight: 5, zigzag: 4.25, buttonhole: 2.5 }), { nil: undefined }),
    stitches: fc.uniqueArray(fc.constantFrom(...STITCHES), { minLength: 1 }),
    maxWidthMm: fc.constantFrom(0, 3, 5, 7, 9),
    lengthMax: fc.constantFrom(2, 3, 4, 6),
    spoolPins: fc.constantFrom(1, 2),
    feet: fc.uniqueArray(fc.constantFrom(...FEET), { minLength: 1 }),
    evenFeed: fc.boolean(),
    maxStackMm: fc.constantFrom(4, 6, 9),
    maxLeatherMm: fc.constantFrom(1.6, 3.2, 6),
    footPressure: fc.constantFrom('adjustable' as const, 'fixed' as const),
    straightPlate: fc.boolean(),
  })
  .map(({ system, needle, normal, step, max, byStitch, lengthMax, ...rest }) => ({
    ...rest,
    needleSystem: system.name,
    needleNm: { min: needle[0], max: needle[1] },
    dial: { min: 0, max, normal, step, ...(byStitch && { byStitch }) },
    lengthMm: { min: 0, max: lengthMax },
  }))

export const anyStock: fc.Arbitrary<KitStock> = fc.record({
  needles: fc.array(
    fc.record({
      point: fc.constantFrom(...(Object.keys(POINTS) as Point[])),
      sizeNm: fc.constantFrom(60, 70, 75, 80, 90, 100, 110),
      count: fc.nat(5),
    }),
    { maxLength: 12 },
  ),
  threads: fc.array(
    fc.record({
      tex: fc.constantFrom(15, 18, 20, 27, 40, 60, 70),
      fibre: fc.constantFrom(...FIBRES),
      use: fc.constantFrom(...THREAD_USES),
    }),
    { maxLength: 6 },
  ),
})

export const anyRequest: fc.Arbitrary<KitRequest> = fc.record(
  {
    fabric: anyFabric,
    layers: fc.record({ seam: fc.integer({ min: 1, max: 4 }), crossing: fc.integer({ min: 1, max: 8 }) }),
    operation: fc.constantFrom(...OPERATIONS),
    thread: anyThread,
    machine: anyMachine,
    schools: fc.record(
      {
        point: fc.constantFrom('universal-first' as const, 'sharp-first' as const, 'large-eye' as const),
        denim: fc.constantFrom('jeans' as const, 'universal-100' as const),
        suede: fc.constantFrom('leather-point' as const, 'universal' as const),
        elastane: fc.constantFrom('stretch' as const, 'microtex' as const),
        imitation: fc.constantFrom('microtex' as const, 'jeans' as const, 'leather' as const),
      },
      { requiredKeys: [] },
    ),
    learner: fc.boolean(),
    stock: anyStock,
  },
  { requiredKeys: ['fabric', 'layers', 'operation'] },
)
