import * as Type from 'typebox'
import { MOST } from './most'

/** One of these words, as a JSON Schema `enum`, so that a refusal can list them. */
export const words = <const Words extends readonly (string | number)[]>(list: Words) =>
  Type.Unsafe<Words[number]>({ enum: [...list] })

/** An object that refuses fields it does not name. */
export const strict = <Shape extends Type.TProperties>(shape: Shape, options: Type.TObjectOptions = {}) =>
  Type.Object(shape, { ...options, additionalProperties: false })

export const Above0 = Type.Number({ exclusiveMinimum: 0, maximum: MOST })
export const From0 = Type.Number({ minimum: 0, maximum: MOST })
export const Count = Type.Integer({ minimum: 1 })
