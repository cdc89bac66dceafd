import { kitOn, placesOf, type PlanMachine, type PlanSeat, type PlanStudent, type Problem, type Step } from './problem'

export interface Plan {
  readonly seats: readonly PlanSeat[]
  readonly minutes: number
}

/** The minutes of these seats, machine by machine and block by block; an empty block changes nothing. */
export function costed(seats: readonly PlanSeat[], problem: Problem): Plan {
  const steps = stepsIn(seats, problem)
  return { seats: steps.map(({ seat }) => seat), minutes: steps.reduce((sum, { step }) => sum + step.minutes, 0) }
}

/** What is changed before each seat, in the order of machines and blocks. */
export function stepsIn(
  seats: readonly PlanSeat[],
  problem: Problem,
): { readonly seat: PlanSeat; readonly step: Step }[] {
  const { machines, machineOf, studentOf, kits } = problem
  const order = new Map(machines.map(({ id }, index) => [id, index]))
  const holds = new Map(machines.map((machine) => [machine.id, machine.holds]))
  return [...seats]
    .sort((a, b) => order.get(a.machine)! - order.get(b.machine)! || a.block - b.block)
    .map((seat) => {
      const kit = kitOn(machineOf.get(seat.machine)!, kits.get(studentOf.get(seat.student)!.kit)!)
      const step = problem.step(holds.get(seat.machine)!, kit)
      holds.set(seat.machine, kit)
      return { seat, step }
    })
}

/** Whether somebody may sit at a machine at all. */
export const mayUse = (student: PlanStudent, machine: PlanMachine): boolean =>
  machine.can.includes(student.kit) &&
  (student.fixed?.machine === undefined || student.fixed.machine === machine.id) &&
  (student.machines === undefined || student.machines.includes(machine.id))

/** Whether somebody may sit at a machine in a block. */
export const mayTake = (student: PlanStudent, machine: PlanMachine, block: number): boolean =>
  mayUse(student, machine) &&
  (student.fixed?.block === undefined || student.fixed.block === block) &&
  block >= (student.fromBlock ?? 1)

/** Whether somebody leaves the place that they hold. */
export function isMove({ student, machine, block }: PlanSeat, { studentOf }: Problem): boolean {
  const place = studentOf.get(student)?.holdsPlace
  return place !== undefined && (place.machine !== machine || place.block !== block)
}

/**
 * As many seats as can be: augmenting paths between learners and the places at machines. Whoever was seated stays seated while
 * more are, so of all ways to seat as many, those who come first in the list are in.
 */
export function mostSeats(problem: Problem): PlanSeat[] {
  const { students, kits } = problem
  const places = placesOf(problem)
  const taken = new Array<number>(places.length).fill(-1)
  const seat = (who: number, seen: Set<number>): boolean => {
    for (let at = 0; at < places.length; at += 1) {
      const { machine, block } = places[at]!
      if (seen.has(at) || !mayTake(students[who]!, machine, block)) continue
      seen.add(at)
      if (taken[at] === -1 || seat(taken[at]!, seen)) {
        taken[at] = who
        return true
      }
    }
    return false
  }
  students.forEach((student, who) => kits.has(student.kit) && seat(who, new Set()))
  return places.flatMap(({ machine, block }, at) =>
    taken[at] === -1 ? [] : [{ student: students[taken[at]!]!.id, machine: machine.id, block }],
  )
}

/** Whoever had no seat before comes first; among the others the order stays. */
export const inTurn = (students: readonly PlanStudent[]): PlanStudent[] =>
  [...students].sort((a, b) => (b.leftOut ?? 0) - (a.leftOut ?? 0))

/** A good plan at once: two places change hands as long as that saves time. */
export function improve(start: readonly PlanSeat[], problem: Problem): Plan {
  const { machines, blocks, kits, studentOf } = problem
  const rows: (PlanStudent | undefined)[][] = machines.map(() =>
    new Array<PlanStudent | undefined>(blocks).fill(undefined),
  )
  const at = new Map(machines.map(({ id }, index) => [id, index]))
  for (const { student, machine, block } of start) rows[at.get(machine)!]![block - 1] = studentOf.get(student)
  const minutesOf = (machine: number): number => {
    let from = machines[machine]!.holds
    let sum = 0
    for (const student of rows[machine]!) {
      if (!student) continue
      const kit = kitOn(machines[machine]!, kits.get(student.kit)!)
      sum += problem.step(from, kit).minutes
      from = kit
    }
    return sum
  }
  const fits = (student: PlanStudent | undefined, machine: number, block: number) =>
    student === undefined || mayTake(student, machines[machine]!, block + 1)
  const spent = machines.map((_, machine) => minutesOf(machine))
  const places = machines.flatMap((_, machine) =>
    Array.from({ length: blocks }, (__, block) => [machine, block] as const),
  )
  for (let round = 0, better = true; better && round < 40; round += 1) {
    better = false
    for (const [a, ab] of places) {
      for (const [b, bb] of places) {
        const [one, other] = [rows[a]![ab], rows[b]![bb]]
        if ((a === b && ab >= bb) || one === other || !fits(one, b, bb) || !fits(other, a, ab)) continue
        rows[a]![ab] = other
        rows[b]![bb] = one
        const [costA, costB] = [minutesOf(a), minutesOf(b)]
        const before = a === b ? spent[a]! : spent[a]! + spent[b]!
        const after = a === b ? costA : costA + costB
        if (after < before - 1e-9) {
          spent[a] = costA
          spent[b] = costB
          better = true
        } else {
          rows[a]![ab] = one
          rows[b]![bb] = other
        }
      }
    }
  }
  const seats = rows.flatMap((row, machine) =>
    row.flatMap((student, block) =>
      student ? [{ student: student.id, machine: machines[machine]!.id, block: block + 1 }] : [],
    ),
  )
  return costed(seats, problem)
}

/** What it costs without a plan: in the order they come, each takes the first free machine that can, block by block. */
export function firstCome(problem: Problem): Plan {
  const { machines, blocks, students } = problem
  const seats: PlanSeat[] = []
  const free = (machine: string, block: number) =>
    !seats.some((seat) => seat.machine === machine && seat.block === block)
  for (const student of students) {
    search: for (let block = 1; block <= blocks; block += 1) {
      for (const machine of machines) {
        if (!mayTake(student, machine, block) || !free(machine.id, block)) continue
        seats.push({ student: student.id, machine: machine.id, block })
        break search
      }
    }
  }
  return costed(seats, problem)
}
