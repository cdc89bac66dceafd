import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import { changeover, grainOf, problemOf } from './changeover'
import { layOut, linesOf } from '../planner/line'
import { PLAN_COSTS, type PlanHolds, type PlanKit } from './plan-question'
import { firstCome, improve, mostSeats } from '../planner/seating'

const word = fc.constantFrom('a', 'b', 'c')
const anyKit: fc.Arbitrary<PlanKit> = fc.record({ id: word, needle: word, thread: word, foot: word })
const anyHolds: fc.Arbitrary<PlanHolds> = fc.record({
  needle: fc.option(word),
  thread: fc.option(word),
  foot: fc.option(word),
})
const anyQuestion = anyPlan({ students: 8, machines: 4, blocks: 3, kits: 4 })
describe('a changeover', () => {
  it('costs nothing exactly when everything is there already, and never more than everything', () =>
    fc.assert(
      fc.property(anyHolds, anyKit, (from, to) => {
        const { minutes, parts } = changeover(from, to, PLAN_COSTS)
        const same = from.needle === to.needle && from.thread === to.thread && from.foot === to.foot
        expect(minutes === 0).toBe(same)
        expect(parts.length === 0).toBe(same)
        expect(minutes).toBeLessThanOrEqual(11)
      }),
    ))

  it('takes no detour: by way of a third kit it is never shorter', () =>
    fc.assert(
      fc.property(anyHolds, anyKit, anyKit, (from, between, to) => {
        const direct = changeover(from, to, PLAN_COSTS).minutes
        const detour = changeover(from, between, PLAN_COSTS).minutes + changeover(between, to, PLAN_COSTS).minutes
        expect(direct).toBeLessThanOrEqual(detour)
      }),
    ))

  it('needs a test for another needle or thread, and none for another foot', () => {
    const holds = { needle: 'a', thread: 'a', foot: 'a' }
    expect(changeover(holds, { id: 'k', ...holds, foot: 'b' }, PLAN_COSTS)).toEqual({ minutes: 1, parts: ['foot'] })
    expect(changeover(holds, { id: 'k', ...holds, needle: 'b' }, PLAN_COSTS).parts).toEqual(['needle', 'tensionTest'])
    expect(changeover(holds, { id: 'k', ...holds, thread: 'b' }, PLAN_COSTS).minutes).toBe(7)
  })

  it('has minutes in whole steps where its costs are whole', () => {
    expect(grainOf(PLAN_COSTS)).toBe(1)
    expect(
      grainOf({ ...PLAN_COSTS, needle: 4, thread: 2, bobbin: 2, foot: 6, tensionTest: 0, pressure: 0, quickLine: 2 }),
    ).toBe(2)
    expect(grainOf({ needle: 0, thread: 0, bobbin: 0, foot: 0, tensionTest: 0, pressure: 0, quickLine: 0 })).toBe(1)
    expect(grainOf({ ...PLAN_COSTS, foot: 0.5 })).toBeLessThan(0.01)
  })
})

describe('lines', () => {
  it('hold no class more often than it has learners, keep fixed blocks, and come in their cheapest order', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const layout = layOut(problemOf(question))
        const { classes, groups } = layout
        expect(groups.reduce((sum, { machines }) => sum + machines.length, 0)).toBe(question.machines.length)
        const { lines, all } = linesOf(layout)
        expect(all).toBe(true)
        for (const { group, seats, minutes } of lines) {
          expect(new Set(seats.map(({ block }) => block)).size).toBe(seats.length)
          let from: PlanHolds = question.machines.find(({ id }) => id === groups[group]!.machines[0]!.id)!.holds
          let sum = 0
          for (const { cls, block } of seats) {
            const { kit, block: fixed, students } = classes[cls]!
            expect(seats.filter((seat) => seat.cls === cls).length).toBeLessThanOrEqual(students.length)
            if (fixed !== undefined) expect(block).toBe(fixed)
            const to = question.kits.find(({ id }) => id === kit.id)!
            sum += changeover(from, to, PLAN_COSTS).minutes
            from = to
          }
          expect(sum).toBe(minutes)
        }
      }),
    ))
})

describe('a first answer', () => {
  it('seats no fewer than coming first, and improving it loses no seat and gains minutes', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const seats = mostSeats(problemOf(question))
        const better = improve(seats, problemOf(question))
        expect(better.seats).toHaveLength(seats.length)
        expect(better.seats.map(({ student }) => student).sort()).toEqual(seats.map(({ student }) => student).sort())
        for (const { student, machine } of better.seats) {
          const { kit } = question.students.find(({ id }) => id === student)!
          expect(question.machines.find(({ id }) => id === machine)!.can).toContain(kit)
        }
        // Whoever comes first may take the one place that somebody else could have had.
        expect(firstCome(problemOf(question)).seats.length).toBeLessThanOrEqual(seats.length)
      }),
    ))
})
