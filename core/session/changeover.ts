import { usingUp } from '../planner/breach'
import { kitOn, problemFrom, type PlanSeat, type Problem } from '../planner/problem'
import {
  PLAN_COSTS,
  type PlanChange,
  type PlanCosts,
  type PlanHolds,
  type PlanKit,
  type PlanQuestion,
} from './plan-question'

/** From what a machine holds to the next kit: which parts change, and the minutes they take. */
export function changeover(from: PlanHolds, to: PlanKit, costs: PlanCosts): Omit<PlanChange, 'machine' | 'block'> {
  const parts: (keyof PlanCosts)[] = []
  const needle = from.needle !== to.needle
  const worn = !needle && from.worn === true
  const thread = from.thread !== to.thread
  if (needle || worn) parts.push('needle')
  if (thread) parts.push('thread', 'bobbin')
  if (from.foot !== to.foot) parts.push('foot')
  if (differs(from.pressure, to.pressure)) parts.push('pressure')
  const otherThread =
    from.threadClass !== undefined && to.threadClass !== undefined ? from.threadClass !== to.threadClass : thread
  if (needle || otherThread || differs(from.cloth, to.cloth)) parts.push('tensionTest')
  else if (worn) parts.push('quickLine')
  return { minutes: parts.reduce((sum, part) => sum + costs[part], 0), parts }
}

/** Only what is known on both sides can differ. */
const differs = (a: string | undefined, b: string | undefined): boolean => a !== undefined && b !== undefined && a !== b

/** All minutes are multiples of this, as far as the costs are whole; otherwise they may differ by anything that counts. */
export function grainOf(costs: PlanCosts): number {
  const values = (Object.keys(costs) as (keyof PlanCosts)[]).map((part) => costs[part]).filter((value) => value > 0)
  if (values.length === 0) return 1
  if (values.some((value) => !Number.isInteger(value))) return 1e-6
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
  return values.reduce((a, b) => gcd(a, b))
}

/** A class's question as the planner sees it: setups that nobody looks into, and what it takes from one to the next. */
export function problemOf(question: PlanQuestion): Problem {
  const costs = { ...PLAN_COSTS, ...question.costs }
  return problemFrom({
    ...question,
    grain: grainOf(costs),
    step: (from: PlanHolds, to: PlanKit) => {
      const { minutes, parts } = changeover(from, to, costs)
      return { minutes, usesUp: parts.includes('needle') }
    },
  })
}

/** The seats before which a needle is put in. */
export const fittedIn = (seats: readonly PlanSeat[], question: PlanQuestion): PlanSeat[] =>
  usingUp(seats, problemOf(question))

/** What is changed before which seat, machine by machine and block by block; an empty block changes nothing. */
export function changesOf(seats: readonly PlanSeat[], { machines, students, kits, costs }: PlanQuestion): PlanChange[] {
  const kitOf = new Map(students.map(({ id, kit }) => [id, kits.find((each) => each.id === kit)]))
  return machines.flatMap((machine) => {
    let holds: PlanHolds = machine.holds
    return seats
      .filter((seat) => seat.machine === machine.id)
      .sort((a, b) => a.block - b.block)
      .flatMap(({ student, block }) => {
        const named = kitOf.get(student)
        if (!named) return []
        const kit = kitOn(machine, named)
        const change = changeover(holds, kit, { ...PLAN_COSTS, ...costs })
        holds = kit
        return change.parts.length > 0 ? [{ machine: machine.id, block, ...change }] : []
      })
  })
}
