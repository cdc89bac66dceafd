import type { ErrorObject } from 'ajv'
import type { Fault } from './invalid'
import { MOST } from './most'

/** What is allowed where a format is asked for, if its own name does not say it. */
const FORMAT_WORDS: Readonly<Record<string, string>> = {
  email: 'an email address, like ada@room.example',
  'date-time': 'a date-time that a clock can show, from 1800 on',
}

/** A JSON Schema as plain data, for speaking about it. */
type Plain = Readonly<Record<string, unknown>>

const dotted = (pointer: string): string => pointer.slice(1).replaceAll('/', '.')

/** One sentence for one fault, in two halves: which field, and what is wrong with it. */
interface Told {
  readonly path: string
  readonly subject: string
  readonly what: string
  /** the one bound that was broken, where its field stands beside it */
  readonly brief?: string
}

/** What is there and what is allowed. */
function told(error: ErrorObject): Told {
  const at = dotted(error.instancePath)
  const inside = (name: string) => (at ? `${at}.${name}` : name)
  const params = error.params as Record<string, unknown>
  const name = at || 'the request'
  switch (error.keyword) {
    case 'additionalProperties': {
      const known = Object.keys((error.parentSchema?.['properties'] ?? {}) as object)
      const path = inside(String(params['additionalProperty']))
      return { path, subject: `"${path}"`, what: `is not known here; allowed are ${known.join(', ')}` }
    }
    case 'required': {
      const path = inside(String(params['missingProperty']))
      const wanted = (error.parentSchema?.['properties'] as Record<string, Plain> | undefined)?.[
        String(params['missingProperty'])
      ]
      return { path, subject: `"${path}"`, what: `is missing; it must be ${allowed(wanted)}` }
    }
    case 'enum':
      return {
        path: at,
        subject: `"${name}"`,
        what: `must be one of ${(params['allowedValues'] as unknown[]).join(', ')}`,
      }
    default:
      return {
        path: at,
        subject: `"${name}"`,
        what: `must be ${allowed(error.parentSchema, error.keyword)}`,
        ...briefly(error),
      }
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
    says('format', (value) => `written as ${FORMAT_WORDS[value] ?? `a ${value}`}`),
    // A pattern is for machines: what it wants is said by the schema in words.
    says('pattern', () =>
      typeof schema['description'] === 'string' ? schema['description'] : 'written as it should be',
    ),
    schema['uniqueItems'] === true && 'without repeats',
  ].filter(Boolean)
  const KIND_WORDS: Record<string, string> = {
    integer: 'a whole number',
    number: 'a number',
    string: 'text',
    boolean: 'true or false',
    array: 'a list',
    object: 'an object',
  }
  const kind = KIND_WORDS[schema['type'] as string]
  const choices = (schema['anyOf'] ?? schema['oneOf']) as Plain[] | undefined
  if (choices && !kind) return choices.map((choice) => allowed(choice)).join(', or ')
  return [kind, bounds.join(', ')].filter(Boolean).join(' ') || 'given'
}

/** What the one broken bound wants, without all else that is asked there. */
function briefly({ keyword, parentSchema }: ErrorObject): Pick<Told, 'brief'> {
  const broken = parentSchema?.[keyword] as unknown
  if (broken === undefined || Array.isArray(broken)) return {}
  const { description } = parentSchema as { readonly description?: string }
  return { brief: `must be ${allowed({ [keyword]: broken, description }, keyword)}` }
}

/** Which of several alternatives lack: names the fields of which one must be there. */
function requiredOneOf(error: ErrorObject): string[] | undefined {
  if (error.keyword !== 'anyOf' && error.keyword !== 'oneOf') return undefined
  const choices = error.schema as { required?: string[] }[]
  return choices.every((choice) => choice.required) ? choices.flatMap((choice) => choice.required!) : undefined
}

const joined = (errors: readonly ErrorObject[]): Told => {
  const last = errors.at(-1)!
  const oneOf = requiredOneOf(last)
  if (!oneOf) return told(last.keyword === 'anyOf' || last.keyword === 'if' ? errors[0]! : last)
  const at = dotted(last.instancePath)
  const fields = [...new Set(oneOf)].map((field) => `"${at ? `${at}.` : ''}${field}"`)
  const count = last.keyword === 'oneOf' ? 'exactly one' : 'at least one'
  return { path: at, subject: `${count} of ${fields.join(', ')}`, what: 'must be given' }
}

const asFault = ({ path, subject, what, brief = what }: Told): Fault => ({
  code: 'invalid',
  message: `${subject} ${what}`,
  path,
  what: brief,
})

/** The one fault of a check that stopped at the first, in words. */
export const faultIn = (errors: readonly ErrorObject[]): Fault => asFault(joined(errors))

/** Every fault of a check that went on to the end, one a path: the first that was found there. */
export function faultsIn(errors: readonly ErrorObject[]): readonly Fault[] {
  const byPath = new Map<string, Fault>()
  for (const error of errors) {
    const fault = asFault(joined([error]))
    // That none of several choices fits is said by what is wrong inside them.
    const inside = [...byPath.keys()].some((path) => path.startsWith(fault.path))
    if ((error.keyword === 'anyOf' || error.keyword === 'if') && inside && !requiredOneOf(error)) continue
    if (!byPath.has(fault.path)) byPath.set(fault.path, fault)
  }
  return [...byPath.values()]
}
