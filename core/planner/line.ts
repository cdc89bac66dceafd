import {
  kitOn,
  type PlanKit,
  type PlanMachine,
  type PlanSeat,
  type PlanStudent,
  type Problem,
  type Setup,
} from './problem'
import { mayUse, type Plan } from './seating'

/** Learners who are the same to the plan: one kit, one fixing, one set of machines. */
export interface Class {
  readonly kit: PlanKit
  readonly machine?: string | undefined
  readonly block?: number | undefined
  readonly fromBlock: number
  readonly students: readonly PlanStudent[]
}

/** Machines that are the same to the plan. */
export interface Group {
  readonly machines: readonly PlanMachine[]
  readonly classes: readonly number[]
  /** what each class's kit is here, by class */
  readonly kits: readonly PlanKit[]
}

/** A problem with what is the same to it taken as one thing. */
export interface Layout {
  readonly problem: Problem
  readonly classes: readonly Class[]
  readonly groups: readonly Group[]
}

/** One machine's line: who sits when, in its cheapest order. A column of the program. */
export interface Line {
  readonly group: number
  /** classes with their blocks, in order */
  readonly seats: readonly { readonly cls: number; readonly block: number }[]
  readonly minutes: number
}

/** More lines than this are not listed; they are priced, and only those that a better plan could hold are made. */
const MOST_LINES = 20_000

/**
 * Takes as one what is the same.
 * @param tellsApart what else makes somebody one of their own (a pair, a place that they hold), and what else a machine
 */
export function layOut(
  problem: Problem,
  tellsApart: {
    readonly student?: (student: PlanStudent) => string | undefined
    readonly machine?: (machine: PlanMachine) => unknown
  } = {},
): Layout {
  const classes = classesOf(problem, tellsApart.student ?? (() => undefined))
  return { problem, classes, groups: groupsOf(problem, classes, tellsApart.machine ?? (() => null)) }
}

function classesOf({ students, kits }: Problem, tellsApart: (student: PlanStudent) => string | undefined): Class[] {
  const found = new Map<string, PlanStudent[]>()
  for (const student of students) {
    const { kit, fixed, machines, fromBlock } = student
    const key = JSON.stringify([
      kit,
      fixed?.machine ?? null,
      fixed?.block ?? null,
      machines ?? null,
      fromBlock ?? 1,
      tellsApart(student) ?? null,
    ])
    found.set(key, [...(found.get(key) ?? []), student])
  }
  return [...found.values()].map((own) => ({
    kit: kits.get(own[0]!.kit)!,
    machine: own[0]!.fixed?.machine,
    block: own[0]!.fixed?.block,
    fromBlock: own[0]!.fromBlock ?? 1,
    students: own,
  }))
}

function groupsOf(
  { machines }: Problem,
  classes: readonly Class[],
  tellsApart: (machine: PlanMachine) => unknown,
): Group[] {
  const found = new Map<string, { machines: PlanMachine[]; classes: number[] }>()
  for (const machine of machines) {
    const able = classes.flatMap((each, index) => (mayUse(each.students[0]!, machine) ? [index] : []))
    const { holds, own } = machine
    const key = JSON.stringify([
      able,
      holds,
      able.map((cls) => own?.[classes[cls]!.kit.id] ?? null),
      tellsApart(machine),
    ])
    const group = found.get(key)
    if (group) group.machines.push(machine)
    else found.set(key, { machines: [machine], classes: able })
  }
  return [...found.values()].map((group) => ({
    ...group,
    kits: classes.map(({ kit }) => kitOn(group.machines[0]!, kit)),
  }))
}

/** Which class each student is of. */
export const classOf = (classes: readonly Class[]): ReadonlyMap<string, number> =>
  new Map(classes.flatMap(({ students }, cls) => students.map(({ id }) => [id, cls] as const)))

/** The block that a class would take after block `last`; undefined when it cannot come then. */
export function blockAfter(
  last: number,
  { block, fromBlock }: Pick<Class, 'block' | 'fromBlock'>,
  blocks: number,
): number | undefined {
  const at = block ?? Math.max(last + 1, fromBlock)
  return at > last && at >= fromBlock && at <= blocks ? at : undefined
}

/** Every line that a machine of each group could have, at its cheapest order; `all` is false when there are too many. */
export function linesOf(layout: Layout): { lines: Line[]; all: boolean } {
  const { problem, groups, classes } = layout
  const lines: Line[] = []
  let all = true
  groups.forEach((group, index) => {
    if (!all) return
    const bag: number[] = []
    const grow = (from: number): void => {
      if (lines.length >= MOST_LINES) {
        all = false
        return
      }
      if (bag.length > 0) {
        const line = cheapestOrder(bag, index, layout)
        if (line) lines.push(line)
      }
      if (bag.length === problem.blocks) return
      for (let at = from; at < group.classes.length; at += 1) {
        const cls = group.classes[at]!
        if (bag.filter((each) => each === cls).length >= classes[cls]!.students.length) continue
        bag.push(cls)
        grow(at)
        bag.pop()
      }
    }
    grow(0)
  })
  return { lines, all }
}

/** The cheapest order of these classes on one machine, fixed blocks respected; undefined when there is none. */
function cheapestOrder(bag: readonly number[], index: number, { problem, groups, classes }: Layout): Line | undefined {
  const group = groups[index]!
  let best: Line | undefined
  const used = bag.map(() => false)
  const order: { cls: number; block: number }[] = []
  const place = (from: Setup, minutes: number, last: number): void => {
    if (best && minutes >= best.minutes) return
    if (order.length === bag.length) {
      best = { group: index, seats: [...order], minutes }
      return
    }
    const tried = new Set<number>()
    for (let at = 0; at < bag.length; at += 1) {
      const cls = bag[at]!
      if (used[at] || tried.has(cls)) continue
      tried.add(cls)
      const kit = group.kits[cls]!
      const block = blockAfter(last, classes[cls]!, problem.blocks)
      if (block === undefined) continue
      used[at] = true
      order.push({ cls, block })
      place(kit, minutes + problem.step(from, kit).minutes, block)
      order.pop()
      used[at] = false
    }
  }
  place(group.machines[0]!.holds, 0, 0)
  return best
}

/** A plan's lines as columns. */
export function linesIn(plan: Plan, { problem, groups, classes }: Layout): Line[] {
  const cls = classOf(classes)
  return problem.machines.flatMap((machine) => {
    const group = groups.findIndex(({ machines }) => machines.includes(machine))
    const seats = plan.seats
      .filter((seat) => seat.machine === machine.id)
      .map(({ student, block }) => ({ cls: cls.get(student)!, block }))
    let from = machine.holds
    let minutes = 0
    for (const seat of seats) {
      const kit = groups[group]!.kits[seat.cls]!
      minutes += problem.step(from, kit).minutes
      from = kit
    }
    return seats.length > 0 ? [{ group, seats, minutes }] : []
  })
}

/** Learners of one class are told apart no further: whoever comes first sits. */
export function startFrom(seats: readonly PlanSeat[], { problem, classes }: Layout): PlanSeat[] {
  const cls = classOf(classes)
  const next = classes.map(({ students }) => students.map(({ id }) => id))
  const order = new Map(problem.machines.map(({ id }, index) => [id, index]))
  return [...seats]
    .sort((a, b) => a.block - b.block || order.get(a.machine)! - order.get(b.machine)!)
    .map((seat) => ({ ...seat, student: next[cls.get(seat.student)!]!.shift()! }))
}

/** Puts names to columns that were taken so many times each: in a class whoever comes first sits. */
export function namedSeats(
  columns: readonly Pick<Line, 'group' | 'seats'>[],
  times: (column: number) => number,
  { groups, classes }: Layout,
): PlanSeat[] {
  const waiting = classes.map(({ students }) => [...students])
  const free = groups.map(({ machines }) => [...machines])
  return columns.flatMap((column, index) =>
    Array.from({ length: times(index) }, () => free[column.group]!.shift()).flatMap((machine) =>
      machine
        ? column.seats.flatMap(({ cls, block }) => {
            const student = waiting[cls]!.shift()
            return student ? [{ student: student.id, machine: machine.id, block }] : []
          })
        : [],
    ),
  )
}
