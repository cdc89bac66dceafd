import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { changeover } from '@/core/session/changeover'
import { planSeats } from '@/core/session/plan'
import { PLAN_COSTS, type PlanAnswer, type PlanQuestion } from '@/core/session/plan-question'
import type { Solve } from '@/core/planner/problem'
import { anyPlan, everyPlan } from '@/core/testing/plans'
import { loadSolver } from './solver'

let solve: Solve
beforeAll(async () => {
  solve = await loadSolver()
})
const plan = (question: PlanQuestion): PlanAnswer => planSeats(question, solve, 15, () => performance.now() / 1000)

describe('a plan', () => {
  it('seats as many as any plan could, at the least minutes, as trying them all shows', () =>
    fc.assert(
      fc.property(anyPlan({ students: 5, machines: 3, blocks: 3, kits: 4 }), (question) => {
        const best = everyPlan(question)
        const answer = plan(question)
        expect([answer.seats.length, answer.changeoverMinutes, answer.optimal, answer.boundMinutes]).toEqual([
          best.seats,
          best.minutes,
          true,
          best.minutes,
        ])
      }),
      { numRuns: 200 },
    ))

  it('keeps every rule: one learner a place, machines that can, what is fixed; and its minutes are its changes', () =>
    fc.assert(
      fc.property(anyPlan({ students: 14, machines: 6, blocks: 3, kits: 6 }), (question) => {
        const { seats, changes, changeoverMinutes, unseated, boundMinutes } = plan(question)
        expect(new Set(seats.map(({ machine, block }) => `${machine} ${block}`)).size).toBe(seats.length)
        expect([...seats, ...unseated].map(({ student }) => student).sort()).toEqual(
          question.students.map(({ id }) => id).sort(),
        )
        for (const { student, machine, block } of seats) {
          const { kit, fixed } = question.students.find(({ id }) => id === student)!
          expect(question.machines.find(({ id }) => id === machine)!.can).toContain(kit)
          if (fixed?.block !== undefined) expect(block).toBe(fixed.block)
          expect(block).toBeLessThanOrEqual(question.blocks)
        }
        expect(changes.reduce((sum, { minutes }) => sum + minutes, 0)).toBe(changeoverMinutes)
        expect(boundMinutes).toBeLessThanOrEqual(changeoverMinutes)
        for (const { because } of unseated) expect(because).toMatch(/\.$/)
      }),
      { numRuns: 60 },
    ))

  it('says what is missing for each who has no seat', () => {
    const kit = { id: 'a', needle: 'n', thread: 't', foot: 'f' }
    const holds = { needle: 'n', thread: 't', foot: 'f' }
    const ask = (students: PlanQuestion['students'], can: string[]) =>
      plan({ blocks: 1, machines: [{ id: 'heron', can, holds }], kits: [kit], students }).unseated
    expect(ask([{ id: 'ida', kit: 'a' }], [])[0]!.because).toContain('No machine here')
    expect(
      ask(
        [
          { id: 'ida', kit: 'a' },
          { id: 'jon', kit: 'a' },
        ],
        ['a'],
      ),
    ).toEqual([{ student: 'jon', because: 'All 1 places at the one machine that can make the kit a are taken.' }])
    expect(ask([], ['a'])).toEqual([])
  })

  it('costs no test for another colour of the same kind of thread', () => {
    const kit = { id: 'a', needle: 'n', thread: 'navy', foot: 'f', threadClass: '27' }
    const holds = { needle: 'n', thread: 'white', foot: 'f', threadClass: '27' }
    expect(changeover(holds, kit, PLAN_COSTS)).toEqual({ minutes: 3, parts: ['thread', 'bobbin'] })
    expect(changeover({ ...holds, threadClass: '40' }, kit, PLAN_COSTS).minutes).toBe(7)
    expect(changeover({ needle: null, thread: null, foot: null }, kit, PLAN_COSTS).minutes).toBe(11)
  })

  it('counts costs as they are given, even in parts of a minute', () => {
    const kit = { id: 'a', needle: 'n', thread: 't', foot: 'f' }
    const question = {
      blocks: 1,
      machines: [{ id: 'heron', can: ['a'], holds: { needle: 'x', thread: 't', foot: 'f' } }],
      kits: [kit],
      students: [{ id: 'ida', kit: 'a' }],
      costs: { needle: 1.5, tensionTest: 0.25 },
    }
    expect(plan(question)).toMatchObject({ changeoverMinutes: 1.75, boundMinutes: 1.75, optimal: true })
  })
})
