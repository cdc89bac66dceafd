import { breachesOf, usingUp } from './breach'
import { placesOf, type PlanSeat, type Problem } from './problem'
import { type Plan, costed, isMove, mayTake } from './seating'

/** What a plan should be like besides, in minutes that a person would give for it. Source: common practice; editable. */
export interface PlanWeights {
  /** another machine than last time */
  readonly otherMachine: number
  /** a beginner on a machine that asks much */
  readonly beginner: number
  /** a beginner far from the instructor */
  readonly farBeginner: number
  /** a seat at a machine that has sewn more than the others */
  readonly sewnMore: number
  readonly needleUsed: number
  /** no machine left over in some block */
  readonly noSpare: number
  /** a seat in the last block, which keeps the room from closing early */
  readonly lastBlock: number
}
export const PLAN_WEIGHTS: PlanWeights = {
  otherMachine: 3,
  beginner: 4,
  farBeginner: 2,
  sewnMore: 0.5,
  needleUsed: 2,
  noSpare: 5,
  lastBlock: 0.5,
}

/** How far a plan is from the soft aims; 0 is as good as can be. */
export function softCost(seats: readonly PlanSeat[], problem: Problem, weights: PlanWeights): number {
  const people = seats.reduce((sum, { student, machine, block }) => {
    const { lastMachine, beginner } = problem.studentOf.get(student)!
    const { complex, far, sewnMore } = problem.machineOf.get(machine)!
    return (
      sum +
      (lastMachine !== undefined && lastMachine !== machine ? weights.otherMachine : 0) +
      (beginner && complex ? weights.beginner : 0) +
      (beginner && far ? weights.farBeginner : 0) +
      (sewnMore ? weights.sewnMore : 0) +
      (block > 1 && block === problem.blocks ? weights.lastBlock : 0)
    )
  }, 0)
  const full = Array.from({ length: problem.blocks }, (_, index) => index + 1).some(
    (block) => seats.filter((seat) => seat.block === block).length >= problem.machines.length,
  )
  return people + weights.needleUsed * usingUp(seats, problem).length + (full ? weights.noSpare : 0)
}

/**
 * The same seats and no more minutes, nearer to the soft aims: two places change hands as long as that helps. What was
 * proved stays proved; the soft aims themselves are bettered and not proved.
 */
export function settle(plan: Plan, problem: Problem, weights: PlanWeights, mayGoOn: () => boolean): Plan {
  const places = placesOf(problem).map(({ machine, block }) => ({ machine: machine.id, block }))
  const movesOf = (seats: readonly PlanSeat[]) => seats.filter((seat) => isMove(seat, problem)).length
  const moves = movesOf(plan.seats)
  let best = plan
  let soft = softCost(plan.seats, problem, weights)
  const at = (seats: readonly PlanSeat[], place: { machine: string; block: number }) =>
    seats.find((seat) => seat.machine === place.machine && seat.block === place.block)
  const fits = (seat: PlanSeat | undefined, place: { machine: string; block: number }) =>
    !seat || mayTake(problem.studentOf.get(seat.student)!, problem.machineOf.get(place.machine)!, place.block)
  for (let better = soft > 0; better && mayGoOn();) {
    better = false
    for (const [index, a] of places.entries()) {
      for (const b of places.slice(index + 1)) {
        const [one, other] = [at(best.seats, a), at(best.seats, b)]
        if ((!one && !other) || !fits(one, b) || !fits(other, a)) continue
        const seats = best.seats.map((seat) =>
          seat === one ? { ...seat, ...b } : seat === other ? { ...seat, ...a } : seat,
        )
        const cost = softCost(seats, problem, weights)
        if (cost >= soft - 1e-9) continue
        const next = costed(seats, problem)
        if (next.minutes > best.minutes + 1e-9 || movesOf(seats) > moves) continue
        if (breachesOf(seats, problem).length > 0) continue
        best = next
        soft = cost
        better = true
      }
    }
  }
  return best
}
