import fc from 'fast-check'

/**
 * Values drawn from a JSON Schema, at its edges more often than not, so that whatever takes such values can be tried with
 * all that its schema lets through, and a schema that is added is tried too.
 */

export type Plain = Readonly<Record<string, unknown>>

/** Text that a schema of words lets through and that has broken other programs. */
const ODD_TEXT = ['\0', 'a\0b', '\ud800', "'; drop table site; --", '<b>x</b>', '%s', '\u202e', ' ', 'ﷺ'.repeat(9), '']
export const ODD_TIMES = [
  '2016-12-31T23:59:60Z',
  '0000-01-01T00:00:00Z',
  '9999-12-31T23:59:59.999Z',
  '2026-02-28T24:00:00Z',
  '2026-01-01T00:00:00+23:59',
  '1969-07-20T20:17:40.123456789Z',
]

/** Values that fit a schema; ids are drawn from those given. */
export function fitting(schema: Plain, ids: readonly string[]): fc.Arbitrary<unknown> {
  const inside = (of: unknown) => fitting(of as Plain, ids)
  if (Array.isArray(schema['enum'])) return fc.constantFrom(...(schema['enum'] as unknown[]))
  if ('const' in schema) return fc.constant(schema['const'])
  if (Array.isArray(schema['anyOf'])) return fc.oneof(...schema['anyOf'].map(inside))
  switch (schema['type']) {
    case 'object': {
      const properties = (schema['properties'] ?? {}) as Plain
      const required = (schema['required'] ?? []) as string[]
      const known = Object.fromEntries(Object.entries(properties).map(([name, of]) => [name, inside(of)]))
      return fc.record(known, { requiredKeys: required })
    }
    case 'array': {
      if (Array.isArray(schema['items'])) return fc.tuple(...schema['items'].map(inside))
      const least = Number(schema['minItems'] ?? 0)
      return fc.array(inside(schema['items'] ?? {}), { minLength: least, maxLength: Math.max(least, 3) })
    }
    case 'string': {
      if (schema['format'] === 'uuid') return fc.constantFrom(...ids)
      if (schema['format'] === 'date-time')
        return fc.oneof(fc.constantFrom(...ODD_TIMES), fc.constant('2026-03-05T18:00:00.000Z'))
      if (schema['format'] === 'email')
        return fc.constantFrom('Somebody@room.example', 'x'.repeat(60) + '@room.example')
      if (typeof schema['pattern'] === 'string' && schema['pattern'].startsWith('^'))
        return fc.stringMatching(new RegExp(schema['pattern']))
      const most = Number(schema['maxLength'] ?? 300)
      return fc.oneof(fc.constantFrom(...ODD_TEXT, 'x'.repeat(most)), fc.string({ maxLength: most }))
    }
    case 'integer': {
      const low = Number(schema['minimum'] ?? -1e9)
      const high = Number(schema['maximum'] ?? 1e9)
      return fc.oneof(fc.constantFrom(low, high), fc.integer({ min: low, max: high }))
    }
    case 'number':
      return fc.oneof(fc.constantFrom(0, -1, 1e-6, 1e9, 1e308, 0.1), fc.double({ min: 1e-6, max: 1e10, noNaN: true }))
    case 'boolean':
      return fc.boolean()
    case 'null':
      return fc.constant(null)
    default:
      return fc.jsonValue({ maxDepth: 2 })
  }
}

/** A body as it fits, or with one of its fields gone, unknown, or of another kind. */
export const spoiled = (body: fc.Arbitrary<unknown>): fc.Arbitrary<unknown> =>
  fc.oneof(
    { weight: 4, arbitrary: body },
    { weight: 1, arbitrary: fc.jsonValue({ maxDepth: 2 }) },
    {
      weight: 3,
      arbitrary: fc
        .tuple(body, fc.nat(), fc.oneof(fc.jsonValue({ maxDepth: 1 }), fc.constant(undefined)), fc.boolean())
        .map(([good, at, bad, more]) => {
          if (good === null || typeof good !== 'object') return bad
          const names = Object.keys(good)
          const spoilt: Record<string, unknown> = { ...good }
          if (names.length > 0) spoilt[names[at % names.length]!] = bad
          if (more) spoilt['more'] = bad
          // As it would come over the wire.
          return JSON.parse(JSON.stringify(spoilt)) as unknown
        }),
    },
  )
