import fc from 'fast-check'
import { expect, it } from 'vitest'
import { classesOf, eveningsOf, groupsOf, type Evening } from '@/core/session/evening'
import { planSeats } from '@/core/session/plan'
import { PLAN_COSTS } from '@/core/session/plan-question'
import { eveningsWithin, relax } from '@/core/session/pricing'
import { demandOf, solveWhole } from '@/core/session/program'
import { mostSeats } from '@/core/session/seating'
import { anyPlan } from '@/core/testing/plans'
import { loadSolver } from './solver'

const solve = await loadSolver()

/** Few kits and many learners, so that a class needs more than one machine. */
const question = anyPlan(
  { students: 12, machines: 5, blocks: 4, kits: 4 },
  { students: 6, machines: 3, blocks: 3, kits: 2 },
)

it('bounds a plan truly: machines counted whole lift the bound and never past the best plan, listed or priced out', () => {
  let lifted = 0
  fc.assert(
    fc.property(question, (asked) => {
      const kits = new Map(asked.kits.map((kit) => [kit.id, kit]))
      const classes = classesOf(asked.students, kits)
      const groups = groupsOf(asked.machines, classes)
      const { evenings } = eveningsOf(asked.blocks, groups, classes, PLAN_COSTS)
      const seats = mostSeats(asked, kits).length
      fc.pre(seats > 0)
      const demand = demandOf(seats, asked.blocks, groups, classes)
      const plain = { seats, machines: classes.map(() => 0), turns: [] }
      const relaxed = (start: readonly Evening[], all: boolean, wanted = demand) =>
        relax(start, all, asked, groups, classes, wanted, PLAN_COSTS, solve, () => 0, 60)
      const listed = relaxed(evenings, true)!
      const best = solveWhole(evenings, groups, classes, plain, asked, kits, PLAN_COSTS, solve, 60)!.plan.minutes

      expect(listed.bound).toBeLessThanOrEqual(best + 1e-6)
      expect(listed.bound).toBeGreaterThanOrEqual(relaxed(evenings, true, plain)!.bound - 1e-6)
      expect(planSeats(asked, solve, 60, () => 0)).toMatchObject({ changeoverMinutes: best, optimal: true })
      if (listed.prices.machine.some((price) => price > 1e-6)) lifted += 1

      // Half of what makes a plan is there, and the pricing finds what lacks.
      const priced = relaxed(
        evenings.filter((evening, index) => index % 2 === 0 || evening.seats.length === 1),
        false,
      )
      if (priced) expect(priced.bound).toBeCloseTo(listed.bound, 5)

      const most = 6
      const within = eveningsWithin(most, asked.blocks, groups, classes, PLAN_COSTS, listed.prices, 9_000)
      const names = (all: readonly Evening[]) =>
        [
          ...new Set(
            all.map(
              ({ group, seats }) =>
                `${group}: ${seats
                  .map(({ cls }) => cls)
                  .sort()
                  .join(' ')}`,
            ),
          ),
        ].sort()
      expect(within.all).toBe(true)
      // At the very edge the two sums may round apart.
      const upTo = (edge: number) => names(evenings.filter((evening) => listed.reducedCost(evening) <= most + edge))
      expect(names(within.evenings)).toEqual(expect.arrayContaining(upTo(-1e-6)))
      expect(upTo(1e-6)).toEqual(expect.arrayContaining(names(within.evenings)))
    }),
    { numRuns: 100 },
  )
  expect(lifted).toBeGreaterThan(5)
})
