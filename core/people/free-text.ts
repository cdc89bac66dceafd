import type { TSchema } from 'typebox'
import { PLAIN_KINDS, eventBody } from '../machine/event'
import { OverrideSchema } from '../kit/kit-schema'
import { CallFoundSchema } from './help-call'

/** Text this long is for people to write as they like; what is shorter names a thing. */
const SHORTEST_FREE = 200

function* freeIn(schema: Readonly<Record<string, unknown>>, name = ''): Generator<string> {
  const { type, maxLength, properties, items, anyOf } = schema as {
    type?: string
    maxLength?: number
    properties?: Readonly<Record<string, Readonly<Record<string, unknown>>>>
    items?: Readonly<Record<string, unknown>>
    anyOf?: readonly Readonly<Record<string, unknown>>[]
  }
  if (type === 'string' && !schema['format'] && !schema['pattern'] && (maxLength ?? 0) >= SHORTEST_FREE) yield name
  for (const [field, of] of Object.entries(properties ?? {})) yield* freeIn(of, field)
  if (items && !Array.isArray(items)) yield* freeIn(items, name)
  for (const choice of anyOf ?? []) yield* freeIn(choice, name)
}

const asPlain = (schema: TSchema): Readonly<Record<string, unknown>> => schema as unknown as Record<string, unknown>

/**
 * The fields in which somebody may have written a name: those of every kind of line, of calls, of choices by hand, and the
 * sentences that a plan keeps.
 */
export const FREE_TEXT: ReadonlySet<string> = new Set([
  ...PLAIN_KINDS.flatMap((kind) => [...freeIn(asPlain(eventBody(kind)))]),
  ...freeIn(asPlain(CallFoundSchema)),
  ...freeIn(asPlain(OverrideSchema)),
  'because',
  'words',
])

/** A value with every free text in it changed, at whatever depth; all else is as it was. */
export function withFreeText(value: unknown, change: (text: string) => string, name = ''): unknown {
  if (typeof value === 'string') return FREE_TEXT.has(name) ? change(value) : value
  if (Array.isArray(value)) return value.map((each) => withFreeText(each, change, name))
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([field, each]) => [field, withFreeText(each, change, field)]))
}

/** What stands in a line where somebody's words stood. */
export const TAKEN_OUT = 'taken out'

/** Whether anything in it was written in somebody's own words, and still stands. */
export function hasWords(value: unknown): boolean {
  let found = false
  withFreeText(value, (text) => {
    found ||= text !== TAKEN_OUT
    return text
  })
  return found
}

/** A name wherever it stands as a word of its own, whatever its letters. */
export function namedIn(name: string): (text: string) => string {
  const escaped = name.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')
  const word = new RegExp(`(?<![\\p{L}\\p{N}])${escaped}(?![\\p{L}\\p{N}])`, 'gu')
  return (text) => text.replaceAll(word, 'somebody')
}
