import Type from 'typebox'
import { FEET } from '../knowledge/foot'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/fabric'
import { POINTS, type Point } from '../knowledge/needle'
import { OPERATIONS, STITCHES } from '../knowledge/stitch'
import { THREAD_USES } from '../knowledge/thread'
import { HOUSEHOLD_SIZES, NEEDLE_SIZES } from '../units/needle-size'
import { FIBRES, FINISHES } from '../units/thread'

/** One of these words, as a JSON Schema `enum`, so that a refusal can list them. */
export const words = <const Words extends readonly (string | number)[]>(list: Words) =>
  Type.Unsafe<Words[number]>({ enum: [...list] })

/** An object that refuses fields it does not name. */
export const strict = <Shape extends Type.TProperties>(shape: Shape, options: Type.TObjectOptions = {}) =>
  Type.Object(shape, { ...options, additionalProperties: false })

/** More than any room has of anything, and little enough to reckon with. */
export const MOST = 1e9
export const Above0 = Type.Number({ exclusiveMinimum: 0, maximum: MOST })
export const From0 = Type.Number({ minimum: 0, maximum: MOST })
/** Grams of a thousand metres: wider than any thread that is sewn with, and narrow enough to reckon with. */
export const Tex = Type.Number({ minimum: 0.1, maximum: 10_000 })
export const Count = Type.Integer({ minimum: 1 })

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
