import * as Type from 'typebox'
import { FABRIC_NUMBERS } from '../fabric/intake'
import { DROP_RESULTS } from './needle-fit'
import { CAUTIONS } from '../knowledge/care/caution'
import { EXTRAS } from '../knowledge/stitch/extra'
import { RoomNumbersSchema, SchoolsSchema } from '../room/house-rules'
import {
  DialSchema,
  FabricTraitWords,
  FibreWord,
  KitThreadSchema,
  FootWord,
  OperationWord,
  PointWord,
  SizeWord,
  Tex,
  LengthMarksSchema,
  RangeMm,
  StitchWord,
  StructureWord,
  ThreadSchema,
  UseWord,
} from '../knowledge/vocabulary'
import { Above0, Count, From0, strict, words } from '../schema/shape'

export const KitFabricSchema = strict(
  {
    structure: StructureWord,
    massGsm: Type.Optional(Above0),
    thicknessMm: Type.Optional(Above0),
    stretchPercent: Type.Optional(From0),
    traits: Type.Optional(FabricTraitWords),
    /** which of the numbers above were guessed rather than measured */
    guessed: Type.Optional(Type.Array(words(FABRIC_NUMBERS), { uniqueItems: true })),
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
  heaviestTex: Type.Optional(Tex),
  lengthMarks: Type.Optional(LengthMarksSchema),
})

export const StockSchema = strict({
  needles: Type.Array(
    strict({
      point: PointWord,
      sizeNm: Above0,
      count: Type.Integer({ minimum: 0 }),
      /** absent: needles of the machine that is asked about */
      system: Type.Optional(Type.String({ minLength: 1, maxLength: 80 })),
    }),
  ),
  threads: Type.Array(strict({ tex: Tex, fibre: FibreWord, use: UseWord })),
})

export const DropTestSchema = strict({
  point: PointWord,
  sizeNm: SizeWord,
  thread: ThreadSchema,
  result: words(DROP_RESULTS),
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
  room: Type.Optional(RoomNumbersSchema),
  dropTests: Type.Optional(Type.Array(DropTestSchema, { maxItems: 2000 })),
})

const NeedleValue = { point: PointWord, sizeNm: SizeWord, gapMm: Type.Optional(Above0) }

const NeedleChoiceSchema = {
  point: PointWord,
  sizeNm: Above0,
  sizeUs: Above0,
  gapMm: Type.Optional(Above0),
}

const ConfidenceWord = words(['high', 'medium', 'low'] as const)

/** Parts of a kit that a person may choose otherwise, each with the value it takes. */
export const OVERRIDE_VALUES = {
  needle: strict(NeedleValue),
  thread: KitThreadSchema,
  bobbin: KitThreadSchema,
  foot: FootWord,
  pressure: words(['low', 'normal', 'high'] as const),
  stitch: strict({ lengthMm: Above0, widthMm: From0 }),
  dial: Type.Number(),
} as const
export type OverridePart = keyof typeof OVERRIDE_VALUES

const Because = Type.String({ minLength: 3, maxLength: 300, pattern: '\\S' })
const override = <Part extends OverridePart>(part: Part) =>
  strict({ part: Type.Literal(part), value: OVERRIDE_VALUES[part], because: Because })

/** One part chosen otherwise, and why. */
export const OverrideSchema = Type.Union([
  override('needle'),
  override('thread'),
  override('bobbin'),
  override('foot'),
  override('pressure'),
  override('stitch'),
  override('dial'),
])

const OverrideKeptSchema = strict({
  part: words(Object.keys(OVERRIDE_VALUES) as OverridePart[]),
  because: Type.String(),
  /** what the kit had, in words */
  instead: Type.String(),
  /** what it broke when it was kept, in sentences */
  breaks: Type.Array(Type.String()),
})

const OverrideDroppedSchema = strict({
  /** kept, so that it can hold again on the next machine */
  choice: OverrideSchema,
  part: words(Object.keys(OVERRIDE_VALUES) as OverridePart[]),
  /** what was chosen on the other machine, in words, and why */
  asked: Type.String(),
  because: Type.String(),
  /** why it cannot be here */
  why: Type.String(),
  instead: Type.String(),
  insteadBecause: Type.String(),
})

/** One kit, as it is answered, kept with the person it was given to, and read back. */
export const KitSchema = strict({
  verdict: words(['good', 'marginal'] as const),
  /** as sure as the least sure of its eight main parts */
  confidence: Type.Optional(ConfidenceWord),
  needle: strict({ system: Type.String(), ...NeedleChoiceSchema }),
  alternates: Type.Array(strict(NeedleChoiceSchema)),
  topThread: KitThreadSchema,
  bobbinThread: KitThreadSchema,
  fit: strict({
    clearance: Above0,
    verdict: words(['good', 'tight', 'shreds', 'loose'] as const),
    eyeMm: Above0,
    threadMm: Above0,
    /** the drop test that decided in place of the formula */
    dropTest: Type.Optional(words(DROP_RESULTS)),
  }),
  foot: FootWord,
  footPressure: words(['low', 'normal', 'high'] as const),
  stitch: strict({
    of: StitchWord,
    /** ISO 4915: 301 straight lockstitch, 304 zigzag lockstitch */
    iso: words(['301', '304'] as const),
    name: Type.Optional(Type.String()),
    lengthMm: From0,
    /** the mark of this machine's length dial that makes it */
    lengthMark: Type.Optional(Type.Number()),
    widthMm: From0,
    /** the needle stands beside the middle */
    aside: Type.Optional(Type.Literal(true)),
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
      source: Type.Optional(Type.String()),
      confidence: Type.Optional(ConfidenceWord),
      /** this is what makes the kit marginal */
      price: Type.Optional(Type.Literal(true)),
    }),
  ),
  /** parts that a person chose otherwise; the kit above is as they chose it */
  overrides: Type.Optional(Type.Array(OverrideKeptSchema)),
  /** parts that were chosen otherwise on another machine and cannot be so on this one */
  dropped: Type.Optional(Type.Array(OverrideDroppedSchema)),
})
