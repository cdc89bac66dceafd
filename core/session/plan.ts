import { anneal } from './anneal'
import { grainOf } from './changeover'
import { type Class, type Evening, classesOf, eveningsIn, eveningsOf, groupsOf, startFrom } from './evening'
import { PLAN_COSTS, type PlanAnswer, type PlanQuestion, type PlanSeat, type Solve } from './plan-question'
import { MOST_PRICED, PRICE_SECONDS, eveningsWithin, relax } from './pricing'
import { demandOf, solveWhole, type Demand } from './program'
import { firstCome, improve, inTurn, mostSeats, unseatedOf, type Plan } from './seating'

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
  const costs = { ...PLAN_COSTS, ...question.costs }
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const seatable = mostSeats({ ...question, students: inTurn(question.students) }, kits)
  const crowded = seatable.length < question.students.length
  const classes = classesOf(question.students, kits, ({ leftOut = 0 }) =>
    crowded && leftOut > 0 ? String(leftOut) : undefined,
  )
  const groups = groupsOf(question.machines, classes)
  const byHand = firstCome(question, kits, costs).minutes
  const { evenings, all } = eveningsOf(question.blocks, groups, classes, costs)

  let best = anneal(improve(startFrom(seatable, question, classes), question, kits, costs), question, kits, costs)
  let bound = 0
  tell(best, bound)
  let proved = seatable.length === 0
  const demand = demandOf(
    seatable.length,
    question.blocks,
    groups,
    classes,
    crowded ? turnsOf(question, seatable, classes) : [],
  )
  const grain = grainOf(costs)
  const better = (from: readonly Evening[]): boolean => {
    const left = Math.max(0.2, seconds - (clock() - started))
    const found = solveWhole(from, groups, classes, demand, question, kits, costs, solve, left)
    if (found && found.plan.minutes < best.minutes - 1e-6) {
      best = found.plan
      tell(best, bound)
    }
    return found?.optimal ?? false
  }
  if (!proved) {
    const start = all ? evenings : eveningsIn(best, question, groups, classes, costs)
    const relaxed = relax(start, all, question, groups, classes, demand, costs, solve, clock, PRICE_SECONDS)
    if (relaxed) {
      bound = Math.max(0, Math.ceil(relaxed.bound / grain - 1e-6) * grain)
      if (best.minutes > bound + 1e-6) {
        // A column whose reduced cost lifts the bound above what is known already cannot be in a better plan.
        const most = best.minutes - grain - relaxed.bound + 1e-6
        const kept = all
          ? { evenings: evenings.filter((evening) => relaxed.reducedCost(evening) <= most), all }
          : eveningsWithin(most, question.blocks, groups, classes, costs, relaxed.prices, MOST_PRICED)
        proved = better(kept.evenings) && kept.all
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

/**
 * Where not all can sit, whoever had no seat before does: of those left out so often or oftener, as many as can be. Which of
 * them is for the minutes to decide.
 */
function turnsOf(
  { students }: PlanQuestion,
  seatable: readonly PlanSeat[],
  classes: readonly Class[],
): Demand['turns'] {
  const waited = new Map(students.map(({ id, leftOut = 0 }) => [id, leftOut]))
  const levels = [...new Set(waited.values())].filter((level) => level > 0)
  return levels.map((level) => ({
    least: seatable.filter(({ student }) => waited.get(student)! >= level).length,
    classes: classes.map(({ students: [first] }) => (first!.leftOut ?? 0) >= level),
  }))
}
