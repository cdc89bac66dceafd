import { changeover, kitOn } from './changeover'
import type { PlanCosts, PlanHolds, PlanKit, PlanLimit, PlanPair, PlanQuestion, PlanSeat } from './plan-question'
import { mayTake } from './seating'

/** A rule that a plan breaks, and whose seats it is about. */
export interface Breach {
  readonly kind: 'cannot' | 'taken' | 'twice' | 'limit' | 'together' | 'apart'
  readonly students: readonly string[]
  readonly block?: number
  /** of one that cannot sit there: comes later, the machine takes no part, or it cannot make the kit */
  readonly because?: 'late' | 'out' | 'unable'
  /** of what there is too little */
  readonly limit?: PlanLimit
}

/** Every rule that these seats break; none for a plan that can be carried out. */
export function breachesOf(
  seats: readonly PlanSeat[],
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Breach[] {
  const who = new Map(question.students.map((student) => [student.id, student]))
  const machines = new Map(question.machines.map((machine) => [machine.id, machine]))
  const cannot = seats.flatMap(({ student, machine, block }): Breach[] => {
    const [one, place] = [who.get(student), machines.get(machine)]
    const can = one && place && block <= question.blocks && mayTake(one, place, block)
    const because = !place ? 'out' : one?.fromBlock !== undefined && block < one.fromBlock ? 'late' : 'unable'
    return can ? [] : [{ kind: 'cannot', students: [student], block, because }]
  })
  return [
    ...cannot,
    ...doubled(seats, ({ machine, block }) => `${machine} ${block}`, 'taken'),
    ...doubled(seats, ({ student }) => student, 'twice'),
    ...(question.limits ?? []).flatMap((limit) => overLimit(limit, seats, question, kits, costs)),
    ...(question.pairs ?? []).flatMap((pair) => brokenPair(pair, seats)),
  ]
}

function doubled(seats: readonly PlanSeat[], keyOf: (seat: PlanSeat) => string, kind: 'taken' | 'twice'): Breach[] {
  const found = new Map<string, PlanSeat[]>()
  for (const seat of seats) found.set(keyOf(seat), [...(found.get(keyOf(seat)) ?? []), seat])
  return [...found.values()]
    .filter((same) => same.length > 1)
    .map((same) => ({ kind, students: [...new Set(same.map(({ student }) => student))], block: same[0]!.block }))
}

function brokenPair({ kind, students }: PlanPair, seats: readonly PlanSeat[]): Breach[] {
  const [one, other] = students.map((id) => seats.find(({ student }) => student === id)?.block)
  if (kind === 'apart') return one !== undefined && one === other ? [{ kind, students, block: one }] : []
  return one === other ? [] : [{ kind, students }]
}

/** How much of a limit one seat takes. */
export const usesOf = ({ uses }: PlanLimit, kit: string, machine: string): number => uses[machine]?.[kit] ?? 0

function overLimit(
  limit: PlanLimit,
  seats: readonly PlanSeat[],
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Breach[] {
  const kitOf = new Map(question.students.map(({ id, kit }) => [id, kit]))
  const taking = seats.filter(({ student, machine }) => usesOf(limit, kitOf.get(student) ?? '', machine) > 0)
  const sum = (some: readonly PlanSeat[]) =>
    some.reduce((total, { student, machine }) => total + usesOf(limit, kitOf.get(student)!, machine), 0)
  if (limit.per === 'block') {
    return [...new Set(taking.map(({ block }) => block))].flatMap((block) => {
      const here = taking.filter((seat) => seat.block === block)
      return sum(here) > limit.most
        ? [{ kind: 'limit', students: here.map(({ student }) => student), block, limit }]
        : []
    })
  }
  const fitted = fittedIn(seats, question, kits, costs).filter((seat) => taking.includes(seat))
  return sum(fitted) > limit.most ? [{ kind: 'limit', students: fitted.map(({ student }) => student), limit }] : []
}

/** The seats before which a needle is put in. */
export function fittedIn(
  seats: readonly PlanSeat[],
  { machines, students }: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): PlanSeat[] {
  const kitOf = new Map(students.map(({ id, kit }) => [id, kits.get(kit)]))
  return machines.flatMap((machine) => {
    let from: PlanHolds = machine.holds
    return seats
      .filter((seat) => seat.machine === machine.id)
      .sort((a, b) => a.block - b.block)
      .filter(({ student }) => {
        const kit = kitOf.get(student)
        if (!kit) return false
        const to = kitOn(machine, kit)
        const fits = changeover(from, to, costs).parts.includes('needle')
        from = to
        return fits
      })
  })
}
