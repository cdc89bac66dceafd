import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv'
import formats, { type FormatsPlugin } from 'ajv-formats'
import type { Static, TSchema } from 'typebox'
import { Invalid } from './invalid'
import { MOST } from './shape'

const ajv = new Ajv({ allErrors: false, strict: true, strictTypes: false, strictRequired: false, verbose: true })
// The package is CommonJS, and its default export hides one level down.
const addFormats = formats as unknown as { default: FormatsPlugin }
addFormats.default(ajv, ['date-time', 'date', 'email', 'uuid'])

/** Nothing that is written here happened before there were sewing machines. */
const FIRST_MOMENT = Date.UTC(1800, 0, 1)
/** A moment that a clock can show: a leap second fits the standard's grammar, but no calendar of ours holds it. */
const momentAsWritten = ajv.formats['date-time'] as { readonly validate: (text: string) => boolean }
ajv.addFormat('date-time', (text) => momentAsWritten.validate(text) && new Date(text).getTime() >= FIRST_MOMENT)
const FORMAT_WORDS: Readonly<Record<string, string>> = { 'date-time': 'date-time that a clock can show, from 1800 on' }

/** A JSON Schema as plain data, for speaking about it. */
type Plain = Readonly<Record<string, unknown>>

const compiled = new WeakMap<TSchema, ValidateFunction>()

function validatorOf(schema: TSchema): ValidateFunction {
  const known = compiled.get(schema)
  if (known) return known
  const made = ajv.compile(schema)
  compiled.set(schema, made)
  return made
}

const dotted = (pointer: string): string => pointer.slice(1).replaceAll('/', '.')

/** One sentence for one fault: what is there and what is allowed. */
function faultOf(error: ErrorObject): { path: string; message: string } {
  const at = dotted(error.instancePath)
  const inside = (name: string) => (at ? `${at}.${name}` : name)
  const params = error.params as Record<string, unknown>
  const name = at || 'the request'
  switch (error.keyword) {
    case 'additionalProperties': {
      const known = Object.keys((error.parentSchema?.['properties'] ?? {}) as object)
      const path = inside(String(params['additionalProperty']))
      return { path, message: `"${path}" is not known here; allowed are ${known.join(', ')}` }
    }
    case 'required': {
      const path = inside(String(params['missingProperty']))
      const wanted = (error.parentSchema?.['properties'] as Record<string, Plain> | undefined)?.[
        String(params['missingProperty'])
      ]
      return { path, message: `"${path}" is missing; it must be ${allowed(wanted)}` }
    }
    case 'enum':
      return { path: at, message: `"${name}" must be one of ${(params['allowedValues'] as unknown[]).join(', ')}` }
    default:
      return { path: at, message: `"${name}" must be ${allowed(error.parentSchema, error.keyword)}` }
  }
}

/**
 * What a schema allows, in words.
 * @param broken the keyword that was not kept; a bound that nobody meets by chance is spoken of only then
 */
function allowed(schema: Plain | undefined, broken?: string): string {
  if (!schema) return 'given'
  if (Array.isArray(schema['enum'])) return `one of ${(schema['enum'] as unknown[]).join(', ')}`
  if (schema['const'] !== undefined) return JSON.stringify(schema['const'])
  const says = (keyword: string, words: (value: string) => string) =>
    schema[keyword] !== undefined && words(`${schema[keyword] as string | number}`)
  const bounds = [
    says('exclusiveMinimum', (value) => `above ${value}`),
    says('minimum', (value) => `at least ${value}`),
    (broken === 'maximum' || Number(schema['maximum']) < MOST) && says('maximum', (value) => `at most ${value}`),
    says('minLength', (value) => (value === '1' ? 'not empty' : `at least ${value} characters long`)),
    says('maxLength', (value) => `at most ${value} characters long`),
    says('minItems', (value) => `with at least ${value} ${value === '1' ? 'entry' : 'entries'}`),
    says('maxItems', (value) => `with at most ${value} entries`),
    says('format', (value) => `written as a ${FORMAT_WORDS[value] ?? value}`),
    // A pattern is for machines: what it wants is said by the schema in words.
    says('pattern', () =>
      typeof schema['description'] === 'string' ? schema['description'] : 'written as it should be',
    ),
    schema['uniqueItems'] === true && 'without repeats',
  ].filter(Boolean)
  const kinds: Record<string, string> = {
    integer: 'a whole number',
    number: 'a number',
    string: 'text',
    boolean: 'true or false',
    array: 'a list',
    object: 'an object',
  }
  const kind = kinds[schema['type'] as string]
  const choices = (schema['anyOf'] ?? schema['oneOf']) as Plain[] | undefined
  if (choices && !kind) return choices.map((choice) => allowed(choice)).join(', or ')
  return [kind, bounds.join(', ')].filter(Boolean).join(' ') || 'given'
}

/** Which of several alternatives lack: names the fields of which one must be there. */
function requiredOneOf(error: ErrorObject): string[] | undefined {
  if (error.keyword !== 'anyOf' && error.keyword !== 'oneOf') return undefined
  const choices = error.schema as { required?: string[] }[]
  return choices.every((choice) => choice.required) ? choices.flatMap((choice) => choice.required!) : undefined
}

/**
 * Checks a value against the one schema of its kind and gives it its type.
 * @throws Invalid with the path of the first fault and what is allowed there
 */
export function check<Schema extends TSchema>(schema: Schema, value: unknown): Static<Schema> {
  const validate = validatorOf(schema)
  if (validate(value)) return value as Static<Schema>
  const errors = validate.errors ?? []
  const last = errors.at(-1)!
  const oneOf = requiredOneOf(last)
  if (oneOf) {
    const at = dotted(last.instancePath)
    const fields = [...new Set(oneOf)].map((field) => `"${at ? `${at}.` : ''}${field}"`)
    const count = last.keyword === 'oneOf' ? 'exactly one' : 'at least one'
    throw new Invalid('invalid', `${count} of ${fields.join(', ')} must be given`, at)
  }
  const { path, message } = faultOf(last.keyword === 'anyOf' || last.keyword === 'if' ? (errors[0] ?? last) : last)
  throw new Invalid('invalid', message, path)
}
