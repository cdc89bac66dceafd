import { changeover } from './changeover'
import type { PlanCosts, PlanHolds, PlanKit, PlanMachine, PlanQuestion, PlanStudent } from './plan-question'
import type { Plan } from './seating'

/** Learners who are the same to the plan: one kit, one fixing. */
export interface Class {
  readonly kit: PlanKit
  readonly machine?: string | undefined
  readonly block?: number | undefined
  readonly students: readonly PlanStudent[]
}

/** Machines that are the same to the plan. */
export interface Group {
  readonly machines: readonly PlanMachine[]
  readonly classes: readonly number[]
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

export function classesOf(students: readonly PlanStudent[], kits: ReadonlyMap<string, PlanKit>): Class[] {
  const found = new Map<string, PlanStudent[]>()
  for (const student of students) {
    const key = JSON.stringify([student.kit, student.fixed?.machine ?? null, student.fixed?.block ?? null])
    found.set(key, [...(found.get(key) ?? []), student])
  }
  return [...found.values()].map((own) => ({
    kit: kits.get(own[0]!.kit)!,
    machine: own[0]!.fixed?.machine,
    block: own[0]!.fixed?.block,
    students: own,
  }))
}

export function groupsOf(machines: readonly PlanMachine[], classes: readonly Class[]): Group[] {
  const found = new Map<string, { machines: PlanMachine[]; classes: number[] }>()
  for (const machine of machines) {
    const able = classes.flatMap((each, index) =>
      machine.can.includes(each.kit.id) && (each.machine === undefined || each.machine === machine.id) ? [index] : [],
    )
    const { needle, thread, foot, threadClass } = machine.holds
    const key = JSON.stringify([able, needle, thread, foot, threadClass ?? null])
    const group = found.get(key)
    if (group) group.machines.push(machine)
    else found.set(key, { machines: [machine], classes: able })
  }
  return [...found.values()]
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
        const evening = cheapestOrder(bag, index, group.machines[0]!.holds, classes, blocks, costs)
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
  group: number,
  holds: PlanHolds,
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
      best = { group, seats: [...order], minutes }
      return
    }
    const tried = new Set<number>()
    for (let at = 0; at < bag.length; at += 1) {
      const cls = bag[at]!
      if (used[at] || tried.has(cls)) continue
      tried.add(cls)
      const { kit, block: fixed } = classes[cls]!
      const block = fixed ?? last + 1
      if (block <= last || block > blocks) continue
      used[at] = true
      order.push({ cls, block })
      place(kit, minutes + changeover(from, kit, costs).minutes, block)
      order.pop()
      used[at] = false
    }
  }
  place(holds, 0, 0)
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
      minutes += changeover(from, classes[cls]!.kit, costs).minutes
      from = classes[cls]!.kit
    }
    return seats.length > 0 ? [{ group, seats, minutes }] : []
  })
}
