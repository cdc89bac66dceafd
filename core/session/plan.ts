import { anneal } from './anneal'
import { grainOf } from './changeover'
import { type Evening, classesOf, eveningsIn, eveningsOf, groupsOf } from './evening'
import { PLAN_COSTS, type PlanAnswer, type PlanQuestion, type Solve } from './plan-question'
import { MOST_PRICED, PRICE_SECONDS, eveningsWithin, relax } from './pricing'
import { solveWhole } from './program'
import { firstCome, improve, mostSeats, startFrom, unseatedOf, type Plan } from './seating'

/** How many columns the first whole plan is looked for among, and for how long at most. */
const NEAR = 1200

const FIRST_SECONDS = 4

/**
 * Seats as many learners as can be seated, then at the least changeover time; says how far from the least it may be.
 * One column is one machine's whole evening, so learners with the same kit and machines with the same setup are one thing.
 * @param solve the solver
 * @param seconds how long it may think
 * @param clock seconds that have passed since some moment
 * @param tell is told of each better plan as it is found, with what is known to be the least
 */
export function planSeats(
  question: PlanQuestion,
  solve: Solve,
  seconds: number,
  clock: () => number,
  tell: (plan: Plan, bound: number) => void = () => undefined,
): PlanAnswer {
  const started = clock()
  const left = () => Math.max(0.2, seconds - (clock() - started))
  const costs = { ...PLAN_COSTS, ...question.costs }
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const classes = classesOf(question.students, kits)
  const groups = groupsOf(question.machines, classes)
  const seatable = mostSeats(question, kits)
  const byHand = firstCome(question, kits, costs).minutes
  const { evenings, all } = eveningsOf(question.blocks, groups, classes, costs)

  let best = anneal(improve(startFrom(seatable, question, classes), question, kits, costs), question, kits, costs)
  let bound = 0
  tell(best, bound)
  let proved = seatable.length === 0
  const wanted = seatable.length
  const grain = grainOf(costs)
  const better = (from: readonly Evening[], time: number): boolean => {
    const found = solveWhole(from, groups, classes, wanted, question, kits, costs, solve, time)
    if (found && found.plan.minutes < best.minutes - 1e-6) {
      best = found.plan
      tell(best, bound)
    }
    return found?.optimal ?? false
  }
  if (!proved) {
    const start = all ? evenings : eveningsIn(best, question, groups, classes, costs)
    const relaxed = relax(start, all, question, groups, classes, wanted, costs, solve, clock, PRICE_SECONDS)
    if (relaxed) {
      bound = Math.max(0, Math.ceil(relaxed.bound / grain - 1e-6) * grain)
      if (best.minutes > bound + 1e-6) {
        // Among the columns that the relaxed plan nearly took there is mostly a very good whole one.
        const near = relaxed.evenings
          .map((evening) => ({ evening, cost: relaxed.reducedCost(evening) }))
          .sort((a, b) => a.cost - b.cost)
        better(
          near.slice(0, NEAR).map(({ evening }) => evening),
          Math.min(left() / 2, FIRST_SECONDS),
        )
      }
      if (best.minutes > bound + 1e-6) {
        // A column whose reduced cost lifts the bound above what is known already cannot be in a better plan.
        const most = best.minutes - grain - relaxed.bound + 1e-6
        const kept = all
          ? { evenings: evenings.filter((evening) => relaxed.reducedCost(evening) <= most), all: true }
          : eveningsWithin(most, question.blocks, groups, classes, costs, relaxed.prices, MOST_PRICED)
        proved = better(kept.evenings, left()) && kept.all
      }
    }
  }
  const optimal = proved || best.minutes <= bound + 1e-6
  return {
    seats: best.seats,
    changeoverMinutes: best.minutes,
    boundMinutes: optimal ? best.minutes : Math.min(bound, best.minutes),
    optimal,
    byHandMinutes: byHand,
    changes: best.changes,
    unseated: unseatedOf(question, kits, best.seats),
  }
}
