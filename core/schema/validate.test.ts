import fc from 'fast-check'
import * as Type from 'typebox'
import type { TSchema } from 'typebox'
import { describe, expect, it } from 'vitest'
import { HouseRulesSchema, DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { Invalid } from './invalid'
import { check } from './validate'
import { NEEDLE_SIZES } from '../units/needle-size'
import { SizeWord, Tex } from '../knowledge/vocabulary'
import { Above0, From0, strict, words } from './shape'

const faultOf = (schema: TSchema, value: unknown): { path: string; message: string } => {
  try {
    check(schema, value)
  } catch (error) {
    if (error instanceof Invalid) return error.fault
    throw error
  }
  throw new Error('It was let through')
}

const Pack = strict({
  point: words(['universal', 'jeans'] as const),
  count: Type.Integer({ minimum: 1, maximum: 500 }),
  note: Type.Optional(Type.String({ maxLength: 5 })),
  marks: Type.Optional(Type.Array(Type.Number(), { minItems: 1, uniqueItems: true })),
})
const Order = strict({ orderId: Type.String({ format: 'uuid' }), packs: Type.Array(Pack, { minItems: 1 }) })
const good = { orderId: '01900000-0000-7000-8000-000000000001', packs: [{ point: 'jeans', count: 5 }] }
const pack = (more: object) => ({ ...good, packs: [good.packs[0], { ...good.packs[0], ...more }] })

describe('what comes in from outside', () => {
  it('passes as it is when it is what the schema says', () => {
    expect(check(Order, good)).toBe(good)
    expect(check(HouseRulesSchema, DEFAULT_HOUSE_RULES)).toBe(DEFAULT_HOUSE_RULES)
  })

  it('is refused with where the fault is, what is there, and what is allowed', () => {
    expect(faultOf(Order, pack({ count: 0 }))).toMatchObject({
      path: 'packs.1.count',
      message: '"packs.1.count" must be a whole number at least 1, at most 500',
    })
    expect(faultOf(Order, pack({ count: 2.5 })).message).toMatch(/"packs\.1\.count" must be a whole number/)
    expect(faultOf(Order, pack({ point: 'blunt' })).message).toBe('"packs.1.point" must be one of universal, jeans')
    expect(faultOf(Order, pack({ note: 'too long' })).message).toMatch(/at most 5 characters/)
    expect(faultOf(Order, pack({ marks: [1, 1] })).message).toMatch(/without repeats/)
    expect(faultOf(Order, { ...good, packs: [] }).message).toMatch(/"packs" must be .*at least 1 entry/)
    expect(faultOf(Order, { ...good, orderId: 'mine' }).message).toMatch(/"orderId" must be .*uuid/)
  })

  it('is told what lacks, and what it may be', () => {
    expect(faultOf(Order, { packs: good.packs })).toMatchObject({ path: 'orderId' })
    expect(faultOf(Order, pack({ point: undefined })).path).toBe('packs.1.point')
    expect(faultOf(Order, { ...good, packs: [{ count: 1 }] })).toMatchObject({
      path: 'packs.0.point',
      message: '"packs.0.point" is missing; it must be one of universal, jeans',
    })
  })

  it('with a field that nobody knows is refused by that field’s name, with those that are known', () => {
    expect(faultOf(Order, pack({ colour: 'red' }))).toMatchObject({
      path: 'packs.1.colour',
      message: '"packs.1.colour" is not known here; allowed are point, count, note, marks',
    })
  })

  it('that is no object at all is said to be just that', () => {
    for (const value of [null, undefined, 3, 'text', []])
      expect(faultOf(Order, value)).toMatchObject({
        path: '',
        message: expect.stringMatching(/^"the request" must be/) as string,
      })
  })

  it('may be anything whatever and never breaks the checking itself', () =>
    fc.assert(
      fc.property(fc.anything(), fc.constantFrom<TSchema>(Order, Pack, HouseRulesSchema), (value, schema) => {
        try {
          expect(check(schema, value)).toBe(value)
        } catch (error) {
          expect(error).toBeInstanceOf(Invalid)
          expect((error as Invalid).fault.message.length).toBeGreaterThan(8)
        }
      }),
      { numRuns: 500 },
    ))

  it('as a number beyond all measure is told the measure, and only then', () => {
    expect(faultOf(Above0, 2e9).message).toBe('"the request" must be a number above 0, at most 1000000000')
    expect(faultOf(Above0, 0).message).toBe('"the request" must be a number above 0')
    expect(faultOf(From0, -1).message).toBe('"the request" must be a number at least 0')
    expect(faultOf(Tex, 0).message).toBe('"the request" must be a number at least 0.1, at most 10000')
  })

  const Moment = Type.String({ format: 'date-time' })
  it.each(['2026-02-28T18:30:00Z', '2026-02-28T18:30:00.123Z', '2026-02-28T18:30:00+13:45', '1899-12-31T23:59:59Z'])(
    'as the moment %s is let through, and can be reckoned with',
    (text) => {
      expect(check(Moment, text)).toBe(text)
      expect(new Date(text).toISOString()).toMatch(/^\d{4}-/)
    },
  )

  it.each([
    '2016-12-31T23:59:60Z',
    '2026-02-30T18:30:00Z',
    '2026-13-01T00:00:00Z',
    '0000-01-01T00:00:00Z',
    '2026-02-28',
    '18:30',
    'yesterday',
    '',
  ])('as the moment "%s", which no calendar holds, is refused', (text) => {
    expect(faultOf(Moment, text).message).toContain('date-time')
  })

  it.each(NEEDLE_SIZES)('as the needle size %i is let through', (size) => expect(check(SizeWord, size)).toBe(size))

  it.each([0, 12, 85, 82.5, -80, 1e9, '80'])('as the needle size %s, which nobody sells, is refused', (size) => {
    expect(faultOf(SizeWord, size).message).toContain('one of 60, 65, 70, 75, 80, 90')
  })
})
