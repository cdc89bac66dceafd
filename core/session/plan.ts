import * as planner from '../planner/plan-room'
import { planSeats as seatsPlanned, type Planned } from '../planner/plan-seats'
import type { PlanSeat, Solve } from '../planner/problem'
import { firstCome, mayUse } from '../planner/seating'
import type { PlanWeights } from '../planner/soft-aims'
import { changesOf, problemOf } from './changeover'
import type { PlanAnswer, PlanQuestion } from './plan-question'

/** A plan for a room, with what its soft aims still cost. */
export interface RoomPlan extends PlanAnswer {
  /** learners who leave a place that they held */
  readonly moves: number
  readonly softCost: number
}

/**
 * As many seats as can be, at the least changeover time, with what is changed and why somebody has none.
 * @param solve the solver
 * @param seconds how long it may think
 * @param clock seconds that have passed since some moment
 */
export function planSeats(
  question: PlanQuestion,
  solve: Solve,
  seconds: number,
  clock: () => number,
  tell: Parameters<typeof seatsPlanned>[2] = () => undefined,
): PlanAnswer {
  return answerOf(question, seatsPlanned(problemOf(question), { solve, seconds, clock }, tell), byHand(question))
}

/** The same under everything that a room asks: pairs, limits, places held, soft aims. */
export function planRoom(
  question: PlanQuestion,
  weights: Partial<PlanWeights>,
  solve: Solve,
  seconds: number,
  clock: () => number,
  tell: (plan: RoomPlan) => void = () => undefined,
): RoomPlan {
  const byHandMinutes = byHand(question)
  const told = (plan: planner.RoomPlanned): RoomPlan => ({
    ...answerOf(question, plan, byHandMinutes),
    moves: plan.moves,
    softCost: plan.softCost,
  })
  return told(planner.planRoom(problemOf(question), weights, { solve, seconds, clock }, (plan) => tell(told(plan))))
}

const byHand = (question: PlanQuestion): number => firstCome(problemOf(question)).minutes

const answerOf = (question: PlanQuestion, plan: Planned, byHandMinutes: number): PlanAnswer => ({
  seats: plan.seats,
  changeoverMinutes: plan.minutes,
  boundMinutes: plan.bound,
  optimal: plan.optimal,
  byHandMinutes,
  changes: changesOf(plan.seats, question),
  unseated: unseatedOf(question, plan.seats),
})

/** Why somebody has no seat, in one sentence. */
function unseatedOf(
  { machines, students, blocks, kits }: PlanQuestion,
  seats: readonly PlanSeat[],
): PlanAnswer['unseated'] {
  const seated = new Set(seats.map(({ student }) => student))
  return students
    .filter(({ id }) => !seated.has(id))
    .map((student) => {
      const able = machines.filter((each) => mayUse({ ...student, fixed: {} }, each))
      const { machine, block } = student.fixed ?? {}
      const because = !kits.some(({ id }) => id === student.kit)
        ? `There is no kit called ${student.kit}.`
        : able.length === 0
          ? `No machine here can make the kit ${student.kit}.`
          : machine !== undefined && !able.some(({ id }) => id === machine)
            ? `They are fixed to ${machine}, which cannot make the kit ${student.kit}.`
            : block !== undefined && block > blocks
              ? `They are fixed to block ${block}, and there are ${blocks}.`
              : `All ${able.length * blocks} places at the ${able.length === 1 ? 'one machine' : `${able.length} machines`} that can make the kit ${student.kit} are taken.`
      return { student: student.id, because }
    })
}
