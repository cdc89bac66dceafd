import { anneal } from './anneal'
import { type Class, type Line, layOut, linesIn, linesOf, startFrom } from './line'
import { MOST_PRICED, PRICE_SECONDS, linesWithin, relax } from './pricing'
import type { Effort, PlanSeat, Problem } from './problem'
import { demandOf, solveWhole, type Demand } from './program'
import { improve, inTurn, mostSeats, type Plan } from './seating'

/** A plan, and how far from the least it may be. */
export interface Planned extends Plan {
  /** nobody can plan as many seats with less */
  readonly bound: number
  readonly optimal: boolean
}

/**
 * Seats as many learners as can be seated, then at the least changeover time; says how far from the least it may be.
 * One column is one machine's whole line, so learners with the same kit and machines with the same setup are one thing.
 * @param tell is told of each better plan as it is found, with what is known to be the least
 */
export function planSeats(
  problem: Problem,
  { solve, clock, seconds }: Effort,
  tell: (plan: Plan, bound: number) => void = () => undefined,
): Planned {
  const started = clock()
  const { students, grain } = problem
  const seatable = mostSeats({ ...problem, students: inTurn(students) })
  const crowded = seatable.length < students.length
  const layout = layOut(problem, {
    student: ({ leftOut = 0 }) => (crowded && leftOut > 0 ? String(leftOut) : undefined),
  })
  const { lines, all } = linesOf(layout)

  let best = anneal(improve(startFrom(seatable, layout), problem), problem)
  let bound = 0
  tell(best, bound)
  let proved = seatable.length === 0
  const demand = demandOf(seatable.length, layout, crowded ? turnsOf(problem, seatable, layout.classes) : [])
  const better = (from: readonly Line[]): boolean => {
    const left = Math.max(0.2, seconds - (clock() - started))
    const found = solveWhole(from, layout, demand, solve, left)
    if (found && found.plan.minutes < best.minutes - 1e-6) {
      best = found.plan
      tell(best, bound)
    }
    return found?.optimal ?? false
  }
  if (!proved) {
    const start = all ? lines : linesIn(best, layout)
    const relaxed = relax(start, all, layout, demand, { solve, clock, seconds: PRICE_SECONDS })
    if (relaxed) {
      bound = Math.max(0, Math.ceil(relaxed.bound / grain - 1e-6) * grain)
      if (best.minutes > bound + 1e-6) {
        // A column whose reduced cost lifts the bound above what is known already cannot be in a better plan.
        const most = best.minutes - grain - relaxed.bound + 1e-6
        const kept = all
          ? { lines: lines.filter((line) => relaxed.reducedCost(line) <= most), all }
          : linesWithin(most, layout, relaxed.prices, MOST_PRICED)
        proved = better(kept.lines) && kept.all
      }
    }
  }
  const optimal = proved || best.minutes <= bound + 1e-6
  return { ...best, bound: optimal ? best.minutes : Math.min(bound, best.minutes), optimal }
}

/**
 * Where not all can sit, whoever had no seat before does: of those left out so often or oftener, as many as can be. Which of
 * them is for the minutes to decide.
 */
function turnsOf({ students }: Problem, seatable: readonly PlanSeat[], classes: readonly Class[]): Demand['turns'] {
  const waited = new Map(students.map(({ id, leftOut = 0 }) => [id, leftOut]))
  const levels = [...new Set(waited.values())].filter((level) => level > 0)
  return levels.map((level) => ({
    least: seatable.filter(({ student }) => waited.get(student)! >= level).length,
    classes: classes.map(({ students: [first] }) => (first!.leftOut ?? 0) >= level),
  }))
}
