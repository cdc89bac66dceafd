import { describe, expect, it } from 'vitest'
import { CAUTION_RULES, CAUTIONS } from './care/caution'
import { FABRIC_OFFSETS, STITCH_OFFSETS, THREAD_OFFSETS } from './tension/dial'
import { EXTRA_RULES, EXTRAS } from './stitch/extra'
import { GSM_PER_MM } from './cloth/fabric'
import { FOOT_WISHES, PRESSURE_WISHES } from './stitch/foot'
import { HOUSEHOLD_SYSTEM, needleSystem, NEEDLE_SYSTEMS, POINTS, type Point } from './needle/needle'
import { POINT_PROPOSALS, POINT_VETOES } from './needle/needle-point'
import { CLOTH_SIZES, CROSSING_STEPS } from './needle/needle-size'
import { firstThatHolds, holds, restsOn, sentence, type Rule as AnyRule } from '../schema/rule'
import type { Rule } from './fact'
import { SEAT_CHECK } from './check/seat-check'
import { CARE, CARE_JOBS } from './care/care'
import { CLAIM_PLACES, CLAIMS } from './claim'
import { CLOTH_FACTS } from './cloth/cloth-fact'
import { KNOWLEDGE } from './knowledge'
import { NAMED_FABRICS } from './cloth/named-fabric'
import { OVERRIDE_CHECKS } from './check/override-check'
import { ROOM_CHECK } from './check/room-check'
import { COST_NUMBERS, NEAR_NUMBER, WEIGHT_NUMBERS } from '../session/planning-numbers'
import { REORDER_NUMBER } from '../stock/reorder'
import { ROOM_NUMBER_NAMES, ROOM_NUMBERS, roomFacts } from './room-number'
import { STACK_LIMITS } from './machine/stack-limit'
import { LENGTH_NOTES, LENGTH_WISHES, OPERATIONS, STITCH_WISHES } from './stitch/stitch'
import { BOBBIN_WISHES, THREAD_USE_OF, THREAD_WISHES } from './thread/thread'
import { olderNumber } from '../units/needle-size'

const LISTS: Readonly<Record<string, readonly Rule<unknown>[]>> = {
  CAUTION_RULES,
  EXTRA_RULES,
  GSM_PER_MM,
  FOOT_WISHES,
  PRESSURE_WISHES,
  POINT_PROPOSALS,
  POINT_VETOES,
  CLOTH_SIZES,
  CROSSING_STEPS,
  SEAT_CHECK,
  LENGTH_WISHES,
  STITCH_WISHES,
  BOBBIN_WISHES,
  THREAD_WISHES,
  STITCH_OFFSETS,
  FABRIC_OFFSETS,
  THREAD_OFFSETS,
  CLOTH_FACTS,
  STACK_LIMITS,
  OVERRIDE_CHECKS,
  LENGTH_NOTES,
  THREAD_USE_OF,
  CLAIMS,
  CARE,
  ROOM_CHECK,
}

describe('what the field knows', () => {
  it.each(Object.entries(LISTS))('%s names every row once and says where it comes from', (_, rows) => {
    expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length)
    for (const row of rows) {
      expect(row.because.length).toBeGreaterThan(8)
      expect(row.source).toBeTruthy()
      expect(['high', 'medium', 'low']).toContain(row.confidence)
    }
  })

  it('ends every list that must answer with a row that always holds', () => {
    for (const list of [
      GSM_PER_MM,
      FOOT_WISHES,
      PRESSURE_WISHES,
      CLOTH_SIZES,
      CROSSING_STEPS,
      LENGTH_WISHES,
      BOBBIN_WISHES,
      THREAD_WISHES,
    ]) {
      expect(list.at(-1)!.when).toEqual({})
    }
    for (const operation of OPERATIONS)
      expect(firstThatHolds(STITCH_WISHES, { operation, structure: 'woven' }).give.of.length).toBeGreaterThan(0)
  })

  it('has a row for every extra and every caution', () => {
    expect(new Set(EXTRA_RULES.map(({ give }) => give.extra))).toEqual(new Set(EXTRAS))
    expect(new Set(CAUTION_RULES.map(({ give }) => give.caution))).toEqual(new Set(CAUTIONS))
  })

  it('proposes every point that is sold', () => {
    const proposed = new Set(POINT_PROPOSALS.flatMap(({ give }) => give.points))
    expect([...proposed].sort()).toEqual((Object.keys(POINTS) as Point[]).sort())
  })

  it('sells sizes in ascending order, each with its older number', () => {
    for (const { sold } of NEEDLE_SYSTEMS) {
      for (const sizes of Object.values(sold)) {
        expect([...sizes].sort((a, b) => a - b)).toEqual(sizes)
        for (const size of sizes) expect(olderNumber(size)).toBeGreaterThan(0)
      }
    }
  })

  it('knows a shank by any of its names, and no other', () => {
    for (const name of ['130/705 H', '130/705h', 'HAx1', 'ha × 1', '15×1', '15X1'])
      expect(needleSystem(name)).toBe(HOUSEHOLD_SYSTEM)
    expect(needleSystem('135x17')?.household).toBe(false)
    expect(needleSystem('130/705')).toBeUndefined()
  })
})

describe('a room’s numbers', () => {
  it('each bear on a rule or a job, and start from a usual value within their bounds', () => {
    const named = new Set([
      ...Object.values(LISTS)
        .flat()
        .flatMap((row) => [...restsOn(row)]),
      ...CARE.flatMap(({ give }) => give.clocks.map(({ every }) => every)),
      ...Object.values(COST_NUMBERS),
      ...Object.values(WEIGHT_NUMBERS),
      NEAR_NUMBER,
      REORDER_NUMBER,
      ...[...FABRIC_OFFSETS, ...STITCH_OFFSETS].map(({ give }) => ('numbers' in give ? give.numbers : '')),
    ])
    for (const name of ROOM_NUMBER_NAMES) {
      const { usual, min, max, step } = ROOM_NUMBERS[name]
      expect([name, named.has(name)]).toEqual([name, true])
      expect(usual >= min && usual <= max && step > 0).toBe(true)
      expect(roomFacts()[name]).toBe(usual)
      expect(roomFacts({ [name]: min })[name]).toBe(min)
    }
  })
})

describe('cloths by name, claims and care', () => {
  it('give every named cloth a number to begin from, once', () => {
    expect(new Set(NAMED_FABRICS.map(({ name }) => name)).size).toBe(NAMED_FABRICS.length)
    for (const { name, massGsm, thicknessMm, structure } of NAMED_FABRICS) {
      expect([name, (massGsm ?? thicknessMm ?? 0) > 0]).toEqual([name, true])
      if (KNOWLEDGE.bands[structure] === undefined) expect([name, thicknessMm !== undefined]).toEqual([name, true])
    }
  })

  it('say something about every place that claims are made of', () => {
    for (const place of CLAIM_PLACES) expect(CLAIMS.some(({ give }) => give.place === place)).toBe(true)
    for (const { give } of CLAIMS) expect(give.said).not.toMatch(/[.!]$/)
  })

  it('have one row for every job of care', () =>
    expect(CARE.map(({ give }) => give.job).sort()).toEqual([...CARE_JOBS].sort()))
})

describe('a rule', () => {
  const facts = { word: 'a', words: ['x', 'y'], number: 5, yes: true, low: 4, high: 6, wanted: ['y'] }
  it.each([
    [{ word: { in: ['a', 'b'] } }, true],
    [{ word: { notIn: ['a'] } }, false],
    [{ words: { has: ['y', 'z'] } }, true],
    [{ words: { lacks: ['y'] } }, false],
    [{ number: { from: 5, below: 6 } }, true],
    [{ number: { over: 5 } }, false],
    [{ number: { upTo: 5 } }, true],
    [{ number: { below: 5 } }, false],
    [{ yes: { is: true } }, true],
    [{ unknown: { is: false } }, true],
    [{ unknown: { known: false } }, true],
    [{ unknown: { from: 0 } }, false],
    [{ unknown: { notIn: ['a'] } }, true],
    [{ any: [{ word: { in: ['z'] } }, { number: { from: 5 } }] }, true],
    [{ any: [{ word: { in: ['z'] } }] }, false],
    [{ number: { over: 'low' } }, true],
    [{ number: { over: 'high' } }, false],
    [{ number: { below: 'high', from: 'low' } }, true],
    [{ number: { below: 'nothing' } }, false],
    [{ words: { has: 'wanted' } }, true],
    [{ words: { has: 'nothing' } }, false],
    [{}, true],
  ])('%j is %s', (condition, expected) => expect(holds(condition, facts)).toBe(expected))

  it('rests on every fact it asks about, bounds by name and spoken facts too', () => {
    const row: AnyRule<null> = {
      id: 'x',
      when: { a: { over: 'b' }, any: [{ c: { is: true } }] },
      give: null,
      because: 'Because of {d}.',
      source: 'geometry',
      confidence: 'high',
    }
    expect([...restsOn(row)].sort()).toEqual(['a', 'b', 'c', 'd'])
  })

  it('speaks a number below nought with a true minus, and what is only said here before the rest', () => {
    expect(sentence('{number} and {low}', facts, { number: -1.25 })).toBe('−1.25 and 4')
  })

  it('fills its sentence with the facts, and refuses to show a gap', () => {
    expect(sentence('{number} of {words}', facts)).toBe('5 of x, y')
    expect(() => sentence('{nothing} here', facts)).toThrow('needs the fact "nothing"')
  })
})
