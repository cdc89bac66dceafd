import { changeover, kitOn } from './changeover'
import type { PlanCosts, PlanHolds, PlanKit, PlanMachine, PlanQuestion, PlanSeat, PlanStudent } from './plan-question'
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
  /** what each class's kit is called here, by class */
  readonly kits: readonly PlanKit[]
}

/** One machine's evening: who sits when, in its cheapest order. */
export interface Evening {
  readonly group: number
  /** classes with their blocks, in order */
  readonly seats: readonly { readonly cls: number; readonly block: number }[]
  readonly minutes: number
}

/** More evenings than this are not listed; they are priced, and only those that a better plan could hold are made. */
const MOST_EVENINGS = 20_000

/** @param tellsApart what else makes somebody one of their own: a pair, a place that they hold */
export function classesOf(
  students: readonly PlanStudent[],
  kits: ReadonlyMap<string, PlanKit>,
  tellsApart: (student: PlanStudent) => string | undefined = () => undefined,
): Class[] {
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

/** @param tellsApart what else makes a machine one of its own */
export function groupsOf(
  machines: readonly PlanMachine[],
  classes: readonly Class[],
  tellsApart: (machine: PlanMachine) => unknown = () => null,
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

/** The block that a class would take after block `last`; undefined when it cannot come then. */
export function blockAfter(
  last: number,
  { block, fromBlock }: Pick<Class, 'block' | 'fromBlock'>,
  blocks: number,
): number | undefined {
  const at = block ?? Math.max(last + 1, fromBlock)
  return at > last && at >= fromBlock && at <= blocks ? at : undefined
}

/** Every evening that a machine of each group could have, at its cheapest order; `all` is false when there are too many. */
export function eveningsOf(
  blocks: number,
  groups: readonly Group[],
  classes: readonly Class[],
  costs: PlanCosts,
): { evenings: Evening[]; all: boolean } {
  const evenings: Evening[] = []
  let all = true
  groups.forEach((group, index) => {
    if (!all) return
    const bag: number[] = []
    const grow = (from: number): void => {
      if (evenings.length >= MOST_EVENINGS) {
        all = false
        return
      }
      if (bag.length > 0) {
        const evening = cheapestOrder(bag, index, group, classes, blocks, costs)
        if (evening) evenings.push(evening)
      }
      if (bag.length === blocks) return
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
  return { evenings, all }
}

/** The cheapest order of these classes on one machine, fixed blocks respected; undefined when there is none. */
function cheapestOrder(
  bag: readonly number[],
  index: number,
  group: Group,
  classes: readonly Class[],
  blocks: number,
  costs: PlanCosts,
): Evening | undefined {
  let best: Evening | undefined
  const used = bag.map(() => false)
  const order: { cls: number; block: number }[] = []
  const place = (from: PlanHolds, minutes: number, last: number): void => {
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
      const block = blockAfter(last, classes[cls]!, blocks)
      if (block === undefined) continue
      used[at] = true
      order.push({ cls, block })
      place(kit, minutes + changeover(from, kit, costs).minutes, block)
      order.pop()
      used[at] = false
    }
  }
  place(group.machines[0]!.holds, 0, 0)
  return best
}

/** A plan's evenings as columns. */
export function eveningsIn(
  plan: Plan,
  question: PlanQuestion,
  groups: readonly Group[],
  classes: readonly Class[],
  costs: PlanCosts,
): Evening[] {
  const classOf = new Map(classes.flatMap((each, cls) => each.students.map(({ id }) => [id, cls] as const)))
  return question.machines.flatMap((machine) => {
    const group = groups.findIndex(({ machines }) => machines.includes(machine))
    const seats = plan.seats
      .filter((seat) => seat.machine === machine.id)
      .map(({ student, block }) => ({ cls: classOf.get(student)!, block }))
    let from: PlanHolds = machine.holds
    let minutes = 0
    for (const { cls } of seats) {
      const kit = groups[group]!.kits[cls]!
      minutes += changeover(from, kit, costs).minutes
      from = kit
    }
    return seats.length > 0 ? [{ group, seats, minutes }] : []
  })
}

/** Learners of one class are told apart no further: whoever comes first sits. */
export function startFrom(seats: readonly PlanSeat[], question: PlanQuestion, classes: readonly Class[]): PlanSeat[] {
  const classOf = new Map(classes.flatMap((each, index) => each.students.map(({ id }) => [id, index] as const)))
  const next = classes.map(({ students }) => students.map(({ id }) => id))
  const order = new Map(question.machines.map(({ id }, index) => [id, index]))
  return [...seats]
    .sort((a, b) => a.block - b.block || order.get(a.machine)! - order.get(b.machine)!)
    .map((seat) => ({ ...seat, student: next[classOf.get(seat.student)!]!.shift()! }))
}
