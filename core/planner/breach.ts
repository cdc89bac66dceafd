import type { PlanLimit, PlanPair, PlanSeat, Problem } from './problem'
import { mayTake, stepsIn } from './seating'

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
export function breachesOf(seats: readonly PlanSeat[], problem: Problem): Breach[] {
  const cannot = seats.flatMap(({ student, machine, block }): Breach[] => {
    const [one, place] = [problem.studentOf.get(student), problem.machineOf.get(machine)]
    const can = one && place && block <= problem.blocks && mayTake(one, place, block)
    const because = !place ? 'out' : one?.fromBlock !== undefined && block < one.fromBlock ? 'late' : 'unable'
    return can ? [] : [{ kind: 'cannot', students: [student], block, because }]
  })
  return [
    ...cannot,
    ...doubled(seats, ({ machine, block }) => `${machine} ${block}`, 'taken'),
    ...doubled(seats, ({ student }) => student, 'twice'),
    ...problem.limits.flatMap((limit) => overLimit(limit, seats, problem)),
    ...problem.pairs.flatMap((pair) => brokenPair(pair, seats)),
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

function overLimit(limit: PlanLimit, seats: readonly PlanSeat[], problem: Problem): Breach[] {
  const kitOf = (student: string) => problem.studentOf.get(student)?.kit ?? ''
  const taking = seats.filter(({ student, machine }) => usesOf(limit, kitOf(student), machine) > 0)
  const sum = (some: readonly PlanSeat[]) =>
    some.reduce((total, { student, machine }) => total + usesOf(limit, kitOf(student), machine), 0)
  if (limit.per === 'block') {
    return [...new Set(taking.map(({ block }) => block))].flatMap((block) => {
      const here = taking.filter((seat) => seat.block === block)
      return sum(here) > limit.most
        ? [{ kind: 'limit', students: here.map(({ student }) => student), block, limit }]
        : []
    })
  }
  const fitted = usingUp(seats, problem).filter((seat) => taking.includes(seat))
  return sum(fitted) > limit.most ? [{ kind: 'limit', students: fitted.map(({ student }) => student), limit }] : []
}

/** The seats before which one is used up of what a limit `per: 'fit'` counts; whom nobody knows uses nothing. */
export function usingUp(seats: readonly PlanSeat[], problem: Problem): PlanSeat[] {
  const { machineOf, studentOf, kits } = problem
  const known = seats.filter(
    ({ student, machine }) => machineOf.has(machine) && kits.has(studentOf.get(student)?.kit ?? ''),
  )
  return stepsIn(known, problem).flatMap(({ seat, step }) => (step.usesUp ? [seat] : []))
}
