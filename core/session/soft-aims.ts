import { breachesOf, fittedIn } from './breach'
import type { PlanCosts, PlanKit, PlanQuestion, PlanSeat } from './plan-question'
import { type Plan, costed, mayTake } from './seating'

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
export function softCost(
  seats: readonly PlanSeat[],
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
  weights: PlanWeights,
): number {
  const who = new Map(question.students.map((student) => [student.id, student]))
  const machines = new Map(question.machines.map((machine) => [machine.id, machine]))
  const people = seats.reduce((sum, { student, machine, block }) => {
    const { lastMachine, beginner } = who.get(student)!
    const { complex, far, sewnMore } = machines.get(machine)!
    return (
      sum +
      (lastMachine !== undefined && lastMachine !== machine ? weights.otherMachine : 0) +
      (beginner && complex ? weights.beginner : 0) +
      (beginner && far ? weights.farBeginner : 0) +
      (sewnMore ? weights.sewnMore : 0) +
      (block > 1 && block === question.blocks ? weights.lastBlock : 0)
    )
  }, 0)
  const full = Array.from({ length: question.blocks }, (_, index) => index + 1).some(
    (block) => seats.filter((seat) => seat.block === block).length >= question.machines.length,
  )
  return people + weights.needleUsed * fittedIn(seats, question, kits, costs).length + (full ? weights.noSpare : 0)
}

/**
 * The same seats and no more minutes, nearer to the soft aims: two places change hands as long as that helps. What was
 * proved stays proved; the soft aims themselves are bettered and not proved.
 */
export function settle(
  plan: Plan,
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
  weights: PlanWeights,
  mayGoOn: () => boolean,
): Plan {
  const who = new Map(question.students.map((student) => [student.id, student]))
  const machines = new Map(question.machines.map((machine) => [machine.id, machine]))
  const places = question.machines.flatMap(({ id }) =>
    Array.from({ length: question.blocks }, (_, index) => ({ machine: id, block: index + 1 })),
  )
  const movesOf = (seats: readonly PlanSeat[]) =>
    seats.filter(({ student, machine, block }) => {
      const held = who.get(student)!.holdsPlace
      return held && (held.machine !== machine || held.block !== block)
    }).length
  const moves = movesOf(plan.seats)
  let best = plan
  let soft = softCost(plan.seats, question, kits, costs, weights)
  const at = (seats: readonly PlanSeat[], place: { machine: string; block: number }) =>
    seats.find((seat) => seat.machine === place.machine && seat.block === place.block)
  const fits = (seat: PlanSeat | undefined, place: { machine: string; block: number }) =>
    !seat || mayTake(who.get(seat.student)!, machines.get(place.machine)!, place.block)
  for (let better = soft > 0; better && mayGoOn();) {
    better = false
    for (const [index, a] of places.entries()) {
      for (const b of places.slice(index + 1)) {
        const [one, other] = [at(best.seats, a), at(best.seats, b)]
        if ((!one && !other) || !fits(one, b) || !fits(other, a)) continue
        const seats = best.seats.map((seat) =>
          seat === one ? { ...seat, ...b } : seat === other ? { ...seat, ...a } : seat,
        )
        const cost = softCost(seats, question, kits, costs, weights)
        if (cost >= soft - 1e-9) continue
        const next = costed(seats, question, kits, costs)
        if (next.minutes > best.minutes + 1e-9 || movesOf(seats) > moves) continue
        if (breachesOf(seats, question, kits, costs).length > 0) continue
        best = next
        soft = cost
        better = true
      }
    }
  }
  return best
}
