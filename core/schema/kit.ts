import Type from 'typebox'
import { CAUTIONS } from '../knowledge/caution'
import { EXTRAS } from '../knowledge/extra'
import {
  Above0,
  Count,
  DialSchema,
  FabricTraitWords,
  FibreWord,
  KitThreadSchema,
  FootWord,
  From0,
  OperationWord,
  PointWord,
  RangeMm,
  StitchWord,
  StructureWord,
  strict,
  ThreadSchema,
  UseWord,
  words,
} from './vocabulary'

export const KitFabricSchema = strict(
  {
    structure: StructureWord,
    massGsm: Type.Optional(Above0),
    thicknessMm: Type.Optional(Above0),
    stretchPercent: Type.Optional(From0),
    traits: Type.Optional(FabricTraitWords),
  },
  { anyOf: [{ required: ['massGsm'] }, { required: ['thicknessMm'] }] },
)

export const LayersSchema = strict({ seam: Count, crossing: Count })

export const KitMachineSchema = strict({
  needleSystem: Type.String({ minLength: 1, maxLength: 80 }),
  needleNm: strict({ min: Above0, max: Above0 }),
  dial: DialSchema,
  stitches: Type.Array(StitchWord, { uniqueItems: true }),
  maxWidthMm: From0,
  lengthMm: RangeMm,
  spoolPins: Type.Integer({ minimum: 0 }),
  feet: Type.Array(FootWord, { uniqueItems: true }),
  evenFeed: Type.Boolean(),
  maxStackMm: Above0,
  maxLeatherMm: From0,
  footPressure: words(['adjustable', 'fixed'] as const),
  straightPlate: Type.Optional(Type.Boolean()),
})

export const SchoolsSchema = strict({
  point: Type.Optional(words(['universal-first', 'sharp-first', 'large-eye'] as const)),
  denim: Type.Optional(words(['jeans', 'universal-100'] as const)),
  suede: Type.Optional(words(['leather-point', 'universal'] as const)),
  elastane: Type.Optional(words(['stretch', 'microtex'] as const)),
  imitation: Type.Optional(words(['microtex', 'jeans', 'leather'] as const)),
})

export const StockSchema = strict({
  needles: Type.Array(strict({ point: PointWord, sizeNm: Above0, count: Type.Integer({ minimum: 0 }) })),
  threads: Type.Array(strict({ tex: Above0, fibre: FibreWord, use: UseWord })),
})

export const KitRequestSchema = strict({
  fabric: KitFabricSchema,
  layers: LayersSchema,
  operation: OperationWord,
  thread: Type.Optional(ThreadSchema),
  machine: Type.Optional(KitMachineSchema),
  schools: Type.Optional(SchoolsSchema),
  learner: Type.Optional(Type.Boolean()),
  stock: Type.Optional(StockSchema),
})

const NeedleChoiceSchema = {
  point: PointWord,
  sizeNm: Above0,
  sizeUs: Above0,
  gapMm: Type.Optional(Above0),
}

/** One kit, as it is answered, kept with the person it was given to, and read back. */
export const KitSchema = strict({
  verdict: words(['good', 'marginal'] as const),
  needle: strict({ system: Type.String(), ...NeedleChoiceSchema }),
  alternates: Type.Array(strict(NeedleChoiceSchema)),
  topThread: KitThreadSchema,
  bobbinThread: KitThreadSchema,
  fit: strict({
    clearance: Above0,
    verdict: words(['good', 'tight', 'shreds', 'loose'] as const),
    eyeMm: Above0,
    threadMm: Above0,
  }),
  foot: FootWord,
  footPressure: words(['low', 'normal', 'high'] as const),
  stitch: strict({
    of: StitchWord,
    /** ISO 4915: 301 straight lockstitch, 304 zigzag lockstitch */
    iso: words(['301', '304'] as const),
    name: Type.Optional(Type.String()),
    lengthMm: From0,
    widthMm: From0,
    lock: words(['reverse', 'tie-off', 'none'] as const),
  }),
  dial: strict({
    /** in numbers of an ordinary 0–9 dial, before rounding to a mark */
    offset: Type.Number(),
    /** in this machine's own marks */
    setting: Type.Optional(Type.Number()),
    clipped: Type.Optional(Type.Literal(true)),
  }),
  extras: Type.Array(words(EXTRAS)),
  cautions: Type.Array(words(CAUTIONS)),
  /** false when the stock that was given cannot make it */
  inStock: Type.Optional(Type.Boolean()),
  reasons: Type.Array(
    strict({
      part: Type.String(),
      rule: Type.String(),
      because: Type.String(),
      school: Type.Optional(Type.String()),
    }),
  ),
})
