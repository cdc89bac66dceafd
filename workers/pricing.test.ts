import fc from 'fast-check'
import { expect, it } from 'vitest'
import { layOut, linesOf, type Line } from '@/core/planner/line'
import { planSeats } from '@/core/session/plan'
import { linesWithin, relax } from '@/core/planner/pricing'
import { demandOf, solveWhole } from '@/core/planner/program'
import { mostSeats } from '@/core/planner/seating'
import { anyPlan } from '@/core/testing/plans'
import { loadSolver } from './solver'
import { problemOf } from '@/core/session/changeover'

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
      const layout = layOut(problemOf(asked))
      const { lines } = linesOf(layout)
      const seats = mostSeats(problemOf(asked)).length
      fc.pre(seats > 0)
      const demand = demandOf(seats, layout)
      const plain = { seats, machines: layout.classes.map(() => 0), turns: [] }
      const relaxed = (start: readonly Line[], all: boolean, wanted = demand) =>
        relax(start, all, layout, wanted, { solve, clock: () => 0, seconds: 60 })
      const listed = relaxed(lines, true)!
      const best = solveWhole(lines, layout, plain, solve, 60)!.plan.minutes

      expect(listed.bound).toBeLessThanOrEqual(best + 1e-6)
      expect(listed.bound).toBeGreaterThanOrEqual(relaxed(lines, true, plain)!.bound - 1e-6)
      expect(planSeats(asked, solve, 60, () => 0)).toMatchObject({ changeoverMinutes: best, optimal: true })
      if (listed.prices.machine.some((price) => price > 1e-6)) lifted += 1

      // Half of what makes a plan is there, and the pricing finds what lacks.
      const priced = relaxed(
        lines.filter((line, index) => index % 2 === 0 || line.seats.length === 1),
        false,
      )
      if (priced) expect(priced.bound).toBeCloseTo(listed.bound, 5)

      const most = 6
      const within = linesWithin(most, layout, listed.prices, 9_000)
      const names = (all: readonly Line[]) =>
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
      const upTo = (edge: number) => names(lines.filter((line) => listed.reducedCost(line) <= most + edge))
      expect(names(within.lines)).toEqual(expect.arrayContaining(upTo(-1e-6)))
      expect(upTo(1e-6)).toEqual(expect.arrayContaining(names(within.lines)))
    }),
    { numRuns: 50 },
  )
  expect(lifted).toBeGreaterThan(2)
})
