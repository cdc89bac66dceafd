import { breachesOf } from './breach'
import { planSeats, type Planned } from './plan-seats'
import { placesOf, type Effort, type PlanSeat, type Problem } from './problem'
import { costed, isMove, mayTake } from './seating'
import { settle, softCost, PLAN_WEIGHTS, type PlanWeights } from './soft-aims'
import { solveTimetables } from './timetable'

/** A plan for a room, with what its soft aims still cost. */
export interface RoomPlanned extends Planned {
  /** learners who leave a place that they held */
  readonly moves: number
  readonly softCost: number
}

/**
 * Seats everybody under all that a room asks: as many as can be, with the fewest moves where places are held already, at the
 * least changeover minutes, and then nearest to the soft aims. Seats and minutes are proved, or the bound says how far they
 * may be off.
 * @param tell is told of each better plan as it is found
 */
export function planRoom(
  problem: Problem,
  weights: Partial<PlanWeights>,
  { solve, clock, seconds }: Effort,
  tell: (plan: RoomPlanned) => void = () => undefined,
): RoomPlanned {
  const started = clock()
  const left = () => Math.max(0.2, seconds - (clock() - started))
  const aims = { ...PLAN_WEIGHTS, ...weights }
  const answer = (seats: readonly PlanSeat[], bound: number, optimal: boolean): RoomPlanned => {
    const plan = settle(costed(seats, problem), problem, aims, () => left() > 0.2)
    return {
      ...plan,
      bound: optimal ? plan.minutes : Math.min(bound, plan.minutes),
      optimal,
      moves: plan.seats.filter((seat) => isMove(seat, problem)).length,
      softCost: softCost(plan.seats, problem, aims),
    }
  }
  const breaks = (seats: readonly PlanSeat[]) => breachesOf(seats, problem).length > 0

  const first = seatWithin(problem)
  tell(answer(first, 0, first.length === 0))
  const tied = problem.students.some(({ holdsPlace }) => holdsPlace)
  // Without what ties machines together the question is easier, and its minutes are a true bound for the whole one.
  const loose = tied
    ? undefined
    : planSeats(problem, { solve, clock, seconds: coupled(problem) ? left() / 2 : left() }, ({ seats }, bound) => {
        if (!breaks(seats) && seats.length >= first.length) tell(answer(seats, bound, false))
      })
  if (loose && !breaks(loose.seats)) return answer(loose.seats, loose.bound, loose.optimal)

  const bound = loose && loose.seats.length === first.length ? loose.bound : 0
  tell(answer(first, bound, false))
  const whole = solveTimetables(problem, solve, left())
  if (!whole) return answer(first, bound, false)
  const worse =
    !whole.optimal &&
    (whole.plan.seats.length < first.length ||
      (whole.plan.seats.length === first.length && whole.plan.minutes > costed(first, problem).minutes))
  const seats = worse ? first : whole.plan.seats
  return answer(seats, loose && loose.seats.length === seats.length ? loose.bound : 0, whole.optimal)
}

/** A move weighs more than the changeovers of any plan. */
const MOVE_MINUTES = 100_000

/** Whether anything ties machines to each other. */
const coupled = ({ pairs, limits }: Problem): boolean => pairs.length + limits.length > 0

/** A plan at once that breaks no rule: those with the fewest places to choose from first, each where it costs least. */
export function seatWithin(problem: Problem): PlanSeat[] {
  const places = placesOf(problem)
  const open = problem.students.map((student) => ({
    student,
    places: places.filter(({ machine, block }) => mayTake(student, machine, block)),
  }))
  let seats: PlanSeat[] = []
  // Whom nobody can part are tried as one, since the first of them alone already breaks the rule.
  const partnerOf = new Map(
    problem.pairs.flatMap(({ kind, students: [a, b] }) =>
      kind === 'together' ? [[a, b] as const, [b, a] as const] : [],
    ),
  )
  const allowed = (next: readonly PlanSeat[]) => breachesOf(next, problem).length === 0
  for (const { student, places: own } of open.sort(
    (a, b) =>
      Number(!a.student.holdsPlace) - Number(!b.student.holdsPlace) ||
      (b.student.leftOut ?? 0) - (a.student.leftOut ?? 0) ||
      a.places.length - b.places.length,
  )) {
    if (seats.some((seat) => seat.student === student.id)) continue
    const partner = open.find((each) => each.student.id === partnerOf.get(student.id))
    let best: { readonly seats: PlanSeat[]; readonly minutes: number } | undefined
    for (const { machine, block } of own) {
      const free = (id: string, at: number) => !seats.some((seat) => seat.machine === id && seat.block === at)
      if (!free(machine.id, block)) continue
      const seat = { student: student.id, machine: machine.id, block }
      const tries = partner
        ? partner.places
            .filter((place) => place.block === block && place.machine !== machine && free(place.machine.id, block))
            .map((place) => [...seats, seat, { student: partner.student.id, machine: place.machine.id, block }])
        : [[...seats, seat]]
      for (const next of tries) {
        const minutes = costed(next, problem).minutes + (isMove(seat, problem) ? MOVE_MINUTES : 0)
        if ((best && minutes >= best.minutes) || !allowed(next)) continue
        best = { seats: next, minutes }
      }
    }
    if (best) seats = best.seats
  }
  return seats
}
