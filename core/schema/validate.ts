import { Ajv, type ValidateFunction } from 'ajv'
import type { Static, TSchema } from 'typebox'
import { faultIn } from './fault-words'
import { FORMATS } from './formats'
import { Invalid } from './invalid'

/** How a schema is read, here and where forms' own checks are written. */
export const AJV_OPTIONS = {
  strict: true,
  strictTypes: false,
  strictRequired: false,
  verbose: true,
  formats: FORMATS,
} as const
const ajv = new Ajv({ ...AJV_OPTIONS, allErrors: false })

const compiled = new WeakMap<TSchema, ValidateFunction>()

function validatorOf(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema)
  if (known) return known
  const made = ajv.compile(schema)
  compiled.set(schema, made)
  return made
}

/**
 * Checks a value against the one schema of its kind and gives it its type.
 * @throws Invalid with the path of the first fault and what is allowed there
 */
export function check<Schema extends TSchema>(schema: Schema, value: unknown): Static<Schema> {
  const validate = validatorOf(schema)
  if (validate(value)) return value as Static<Schema>
  const { code, message, path, what } = faultIn(validate.errors ?? [])
  throw new Invalid(code, message, path, what)
}
