import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import { breachesOf } from './breach'
import type { PlanQuestion } from '../session/plan-question'
import { costed, improve, mostSeats } from './seating'
import { PLAN_WEIGHTS, settle, softCost, type PlanWeights } from './soft-aims'
import { problemOf } from '../session/changeover'

/** A class with beginners, people who sat somewhere before, and machines that ask much, stand far away or have sewn more. */
const anyClass = fc
  .tuple(
    anyPlan({ students: 8, machines: 4, blocks: 3, kits: 3 }),
    fc.array(fc.nat(15), { minLength: 12, maxLength: 12 }),
  )
  .map(([question, draws]): PlanQuestion => ({
    ...question,
    machines: question.machines.map((machine, index) => ({
      ...machine,
      ...(draws[index]! & 1 && { complex: true }),
      ...(draws[index]! & 2 && { far: true }),
      ...(draws[index]! & 4 && { sewnMore: true }),
    })),
    students: question.students.map((student, index) => ({
      ...student,
      ...(draws[index + 4]! & 1 && { beginner: true }),
      ...(draws[index + 4]! & 2 && { lastMachine: question.machines[0]!.id }),
    })),
  }))
const anyWeights: fc.Arbitrary<PlanWeights> = fc.record(
  Object.fromEntries(Object.keys(PLAN_WEIGHTS).map((name) => [name, fc.integer({ min: 0, max: 6 })])) as {
    [Name in keyof PlanWeights]: fc.Arbitrary<number>
  },
)

describe('settling a plan', () => {
  it('seats the same people, costs no minute more, breaks nothing, and comes no further from the soft aims', () =>
    fc.assert(
      fc.property(anyClass, anyWeights, (question, weights) => {
        const plan = improve(mostSeats(problemOf(question)), problemOf(question))
        const settled = settle(plan, problemOf(question), weights, () => true)
        const people = (seats: typeof plan.seats) => seats.map(({ student }) => student).sort()
        expect(people(settled.seats)).toEqual(people(plan.seats))
        expect(settled.minutes).toBeLessThanOrEqual(plan.minutes + 1e-9)
        expect(settled.minutes).toBe(costed(settled.seats, problemOf(question)).minutes)
        expect(breachesOf(settled.seats, problemOf(question))).toEqual([])
        const soft = (seats: typeof plan.seats) => softCost(seats, problemOf(question), weights)
        expect(soft(settled.seats)).toBeLessThanOrEqual(soft(plan.seats))
      }),
    ))

  it('leaves the plan as it is when there is no time, or nothing that the room cares for', () =>
    fc.assert(
      fc.property(anyClass, (question) => {
        const plan = improve(mostSeats(problemOf(question)), problemOf(question))
        const nothing = Object.fromEntries(Object.keys(PLAN_WEIGHTS).map((name) => [name, 0])) as unknown as PlanWeights
        expect(settle(plan, problemOf(question), nothing, () => true)).toEqual(plan)
        expect(settle(plan, problemOf(question), PLAN_WEIGHTS, () => false)).toEqual(plan)
      }),
    ))
})

describe('how far a plan is from the soft aims', () => {
  const kit = { id: 'k', needle: 'n', thread: 't', foot: 'f' }
  const holds = { needle: 'n', thread: 't', foot: 'f' }
  const question = (
    machine: Partial<PlanQuestion['machines'][number]>,
    student: Partial<PlanQuestion['students'][number]>,
    blocks = 1,
  ): PlanQuestion => ({
    blocks,
    kits: [kit],
    machines: [
      { id: 'heron', can: ['k'], holds, ...machine },
      { id: 'curlew', can: ['k'], holds },
    ],
    students: [{ id: 'ida', kit: 'k', ...student }],
  })
  const soft = (asked: PlanQuestion, block = 1) =>
    softCost([{ student: 'ida', machine: 'heron', block }], problemOf(asked), PLAN_WEIGHTS)

  it('counts each aim at what the room says it is worth, and only where it is missed', () => {
    expect(soft(question({}, {}))).toBe(0)
    expect(soft(question({ complex: true }, {}))).toBe(0)
    expect(soft(question({ complex: true }, { beginner: true }))).toBe(PLAN_WEIGHTS.beginner)
    expect(soft(question({ far: true }, {}))).toBe(0)
    expect(soft(question({ far: true }, { beginner: true }))).toBe(PLAN_WEIGHTS.farBeginner)
    expect(soft(question({ sewnMore: true }, {}))).toBe(PLAN_WEIGHTS.sewnMore)
    expect(soft(question({}, { lastMachine: 'curlew' }))).toBe(PLAN_WEIGHTS.otherMachine)
    expect(soft(question({}, { lastMachine: 'heron' }))).toBe(0)
    expect(soft(question({ holds: { ...holds, needle: 'blunt' } }, {}))).toBe(PLAN_WEIGHTS.needleUsed)
  })

  it('is more in the last of several blocks, and when no machine is left over', () => {
    expect([1, 2, 3].map((block) => soft(question({}, {}, 3), block))).toEqual([0, 0, PLAN_WEIGHTS.lastBlock])
    const full = question({}, {})
    expect(soft({ ...full, machines: full.machines.slice(0, 1) })).toBe(PLAN_WEIGHTS.noSpare)
  })
})
