import * as Type from 'typebox'
import { FEET } from './stitch/foot'
import { STRUCTURES, TRAITS_OF_FABRIC } from './cloth/fabric'
import { POINTS, type Point } from './needle/needle'
import { OPERATIONS, STITCHES } from './stitch/stitch'
import { THREAD_USES } from './thread/thread'
import { HOUSEHOLD_SIZES, NEEDLE_SIZES } from '../units/needle-size'
import { Above0, From0, strict, words } from '../schema/shape'
import { FIBRES, FINISHES } from '../units/thread'

/** Grams of a thousand metres: wider than any thread that is sewn with, and narrow enough to reckon with. */
export const Tex = Type.Number({ minimum: 0.1, maximum: 10_000 })

export const PointWord = words(Object.keys(POINTS) as Point[])
export const StructureWord = words(STRUCTURES)
export const OperationWord = words(OPERATIONS)
export const StitchWord = words(STITCHES)
export const FootWord = words(FEET)
export const FibreWord = words(FIBRES)
export const FinishWord = words(FINISHES)
/** A size that is sold in some point; a typed line reads either of its numbers. */
export const SizeWord = Type.Unsafe<number>({ enum: [...NEEDLE_SIZES], title: 'needle size' })
export const HouseholdSize = words(HOUSEHOLD_SIZES)
export const UseWord = words(THREAD_USES)
export const FabricTraitWords = Type.Array(words(TRAITS_OF_FABRIC), { uniqueItems: true })

export const ThreadSchema = strict({
  tex: Tex,
  fibre: FibreWord,
  finish: Type.Optional(FinishWord),
  strands: Type.Optional(words([1, 2] as const)),
})

export const KitThreadSchema = strict({
  tex: Tex,
  fibre: FibreWord,
  finish: Type.Optional(FinishWord),
  strands: Type.Optional(words([1, 2] as const)),
  use: UseWord,
})

/** `max` above `min` and `normal` between them is checked by `dialFault`; JSON Schema cannot compare two fields. */
export const DialSchema = strict({
  min: Type.Number(),
  max: Type.Number(),
  normal: Type.Number(),
  step: Above0,
  byStitch: Type.Optional(Type.Record(Type.String({ minLength: 1 }), Type.Number())),
})

export const RangeMm = strict({ min: From0, max: Above0 })

/** A length dial's numbering; `highest` above `lowest` is checked where it is used. */
export const LengthMarksSchema = strict({
  lowest: Type.Number(),
  highest: Type.Number(),
  step: Above0,
  mmAtLowest: From0,
  mmAtHighest: From0,
})
