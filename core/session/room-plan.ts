import { breachesOf } from './breach'
import { planSeats } from './plan'
import { PLAN_COSTS, type PlanAnswer, type PlanQuestion, type PlanSeat, type Solve } from './plan-question'
import { costed, firstCome, mayTake, unseatedOf } from './seating'
import { settle, softCost, PLAN_WEIGHTS, type PlanWeights } from './soft-aims'
import { solveTimetables } from './timetable'

/** A plan for a room, with what its soft aims still cost. */
export interface RoomPlan extends PlanAnswer {
  /** learners who leave a place that they held */
  readonly moves: number
  readonly softCost: number
}

/**
 * Seats a class under everything that the room asks: as many as can be, with the fewest moves where places are held already,
 * at the least changeover minutes, and then nearest to the soft aims. Seats and minutes are proved, or the bound says how
 * far they may be off.
 * @param tell is told of each better plan as it is found
 */
export function planRoom(
  question: PlanQuestion,
  weights: Partial<PlanWeights>,
  solve: Solve,
  seconds: number,
  clock: () => number,
  tell: (plan: RoomPlan) => void = () => undefined,
): RoomPlan {
  const started = clock()
  const left = () => Math.max(0.2, seconds - (clock() - started))
  const costs = { ...PLAN_COSTS, ...question.costs }
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const aims = { ...PLAN_WEIGHTS, ...weights }
  const held = new Map(question.students.map(({ id, holdsPlace }) => [id, holdsPlace]))
  const byHandMinutes = firstCome(question, kits, costs).minutes
  const answer = (seats: readonly PlanSeat[], bound: number, optimal: boolean): RoomPlan => {
    const plan = settle(costed(seats, question, kits, costs), question, kits, costs, aims, () => left() > 0.2)
    return {
      seats: plan.seats,
      changeoverMinutes: plan.minutes,
      boundMinutes: optimal ? plan.minutes : Math.min(bound, plan.minutes),
      optimal,
      byHandMinutes,
      changes: plan.changes,
      unseated: unseatedOf(question, kits, plan.seats),
      moves: plan.seats.filter(({ student, machine, block }) => {
        const place = held.get(student)
        return place && (place.machine !== machine || place.block !== block)
      }).length,
      softCost: softCost(plan.seats, question, kits, costs, aims),
    }
  }

  const first = seatWithin(question)
  tell(answer(first, 0, first.length === 0))
  const tied = question.students.some(({ holdsPlace }) => holdsPlace)
  // Without what ties machines together the question is easier, and its minutes are a true bound for the whole one.
  const loose = tied
    ? undefined
    : planSeats(question, solve, coupled(question) ? left() / 2 : left(), clock, ({ seats }, bound) => {
        if (breachesOf(seats, question, kits, costs).length === 0 && seats.length >= first.length)
          tell(answer(seats, bound, false))
      })
  if (loose && breachesOf(loose.seats, question, kits, costs).length === 0)
    return answer(loose.seats, loose.boundMinutes, loose.optimal)

  const bound = loose && loose.seats.length === first.length ? loose.boundMinutes : 0
  tell(answer(first, bound, false))
  const whole = solveTimetables(question, kits, costs, solve, left())
  if (!whole) return answer(first, bound, false)
  const worse =
    !whole.optimal &&
    (whole.plan.seats.length < first.length ||
      (whole.plan.seats.length === first.length && whole.plan.minutes > costed(first, question, kits, costs).minutes))
  const seats = worse ? first : whole.plan.seats
  return answer(seats, loose && loose.seats.length === seats.length ? loose.boundMinutes : 0, whole.optimal)
}

/** A move weighs more than the changeovers of any evening. */
const MOVE_MINUTES = 100_000

/** Whether anything ties machines to each other. */
const coupled = ({ pairs, limits }: PlanQuestion): boolean => (pairs?.length ?? 0) + (limits?.length ?? 0) > 0

/** A plan at once that breaks no rule: those with the fewest places to choose from first, each where it costs least. */
export function seatWithin(question: PlanQuestion): PlanSeat[] {
  const costs = { ...PLAN_COSTS, ...question.costs }
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const places = question.machines.flatMap((machine) =>
    Array.from({ length: question.blocks }, (_, index) => ({ machine, block: index + 1 })),
  )
  const open = question.students.map((student) => ({
    student,
    places: places.filter(({ machine, block }) => mayTake(student, machine, block)),
  }))
  let seats: PlanSeat[] = []
  // Whom nobody can part are tried as one, since the first of them alone already breaks the rule.
  const partnerOf = new Map(
    (question.pairs ?? []).flatMap(({ kind, students: [a, b] }) =>
      kind === 'together' ? [[a, b] as const, [b, a] as const] : [],
    ),
  )
  const allowed = (next: readonly PlanSeat[]) => breachesOf(next, question, kits, costs).length === 0
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
        const moved =
          student.holdsPlace && (student.holdsPlace.machine !== machine.id || student.holdsPlace.block !== block)
        const minutes = costed(next, question, kits, costs).minutes + (moved ? MOVE_MINUTES : 0)
        if ((best && minutes >= best.minutes) || !allowed(next)) continue
        best = { seats: next, minutes }
      }
    }
    if (best) seats = best.seats
  }
  return seats
}
