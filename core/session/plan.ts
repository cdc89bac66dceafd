/** What a kit asks of a machine, by name: equal names are the same thing. */
export interface PlanKit {
  readonly id: string
  readonly needle: string
  readonly thread: string
  readonly foot: string
  /** compared for the tension test in place of the thread, where both sides give it: another colour costs no test */
  readonly threadClass?: string
}

export interface PlanHolds {
  readonly needle: string | null
  readonly thread: string | null
  readonly foot: string | null
  readonly threadClass?: string
}

export interface PlanMachine {
  readonly id: string
  /** kits that it can make */
  readonly can: readonly string[]
  readonly holds: PlanHolds
}

export interface PlanStudent {
  readonly id: string
  readonly kit: string
  readonly fixed?: { readonly machine?: string; readonly block?: number }
}

export interface PlanCosts {
  readonly needle: number
  readonly thread: number
  readonly bobbin: number
  readonly foot: number
  readonly tensionTest: number
}

/** Minutes. Source: common practice; a room may change them. */
export const PLAN_COSTS: PlanCosts = { needle: 3, thread: 2, bobbin: 1, foot: 1, tensionTest: 4 }

export interface PlanQuestion {
  readonly blocks: number
  readonly machines: readonly PlanMachine[]
  readonly kits: readonly PlanKit[]
  readonly students: readonly PlanStudent[]
  readonly costs?: Partial<PlanCosts>
}

export interface PlanSeat {
  readonly student: string
  readonly machine: string
  /** from 1 */
  readonly block: number
}

export interface PlanChange {
  readonly machine: string
  readonly block: number
  readonly minutes: number
  readonly parts: readonly (keyof PlanCosts)[]
}

export interface PlanAnswer {
  readonly seats: readonly PlanSeat[]
  readonly changeoverMinutes: number
  /** nobody can plan as many seats with less */
  readonly boundMinutes: number
  readonly optimal: boolean
  /** first come, first seated */
  readonly byHandMinutes: number
  readonly changes: readonly PlanChange[]
  readonly unseated: readonly { readonly student: string; readonly because: string }[]
}

/**
 * Solves a linear or mixed-integer program in CPLEX LP text.
 * @returns undefined when it found no answer in the time; `dual` is the reduced cost of a column of a linear program
 */
export type Solve = (
  program: string,
  seconds: number,
) =>
  | {
      readonly optimal: boolean
      readonly objective: number
      readonly columns: ReadonlyMap<string, { readonly value: number; readonly dual: number }>
      /** shadow price of each row of a linear program */
      readonly rows: ReadonlyMap<string, number>
    }
  | undefined

/** From what a machine holds to the next kit: which parts change, and the minutes they take. */
export function changeover(from: PlanHolds, to: PlanKit, costs: PlanCosts): Omit<PlanChange, 'machine' | 'block'> {
  const parts: (keyof PlanCosts)[] = []
  const needle = from.needle !== to.needle
  const thread = from.thread !== to.thread
  if (needle) parts.push('needle')
  if (thread) parts.push('thread', 'bobbin')
  if (from.foot !== to.foot) parts.push('foot')
  const otherThread =
    from.threadClass !== undefined && to.threadClass !== undefined ? from.threadClass !== to.threadClass : thread
  if (needle || otherThread) parts.push('tensionTest')
  return { minutes: parts.reduce((sum, part) => sum + costs[part], 0), parts }
}

/** Learners who are the same to the plan: one kit, one fixing. */
interface Class {
  readonly kit: PlanKit
  readonly machine?: string | undefined
  readonly block?: number | undefined
  readonly students: readonly PlanStudent[]
}

/** Machines that are the same to the plan. */
interface Group {
  readonly machines: readonly PlanMachine[]
  readonly classes: readonly number[]
}

/** One machine's evening: who sits when, in its cheapest order. */
interface Evening {
  readonly group: number
  /** classes with their blocks, in order */
  readonly seats: readonly { readonly cls: number; readonly block: number }[]
  readonly minutes: number
}

/** More evenings than this are not listed; they are priced, and only those that a better plan could hold are made. */
const MOST_EVENINGS = 20_000
/** Of those, more than this are not all looked at; then the plan may not be proved. */
const MOST_PRICED = 9_000
/** How long the relaxed program may be worked at. */
const PRICE_SECONDS = 6
/** How many columns the first whole plan is looked for among, and for how long at most. */
const NEAR = 1200
const FIRST_SECONDS = 4

/**
 * Seats as many learners as can be seated, then at the least changeover time; says how far from the least it may be.
 * One column is one machine's whole evening, so learners with the same kit and machines with the same setup are one thing.
 * @param solve the solver
 * @param seconds how long it may think
 * @param clock seconds that have passed since some moment
 */
export function planSeats(question: PlanQuestion, solve: Solve, seconds: number, clock: () => number): PlanAnswer {
  const started = clock()
  const left = () => Math.max(0.2, seconds - (clock() - started))
  const costs = { ...PLAN_COSTS, ...question.costs }
  const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
  const classes = classesOf(question.students, kits)
  const groups = groupsOf(question.machines, classes)
  const seatable = mostSeats(question, kits)
  const byHand = firstCome(question, kits, costs)
  const { evenings, all } = eveningsOf(question.blocks, groups, classes, costs)

  let best = improve(startFrom(seatable, question, classes), question, kits, costs)
  let bound = 0
  let proved = seatable.length === 0
  const wanted = seatable.length
  const grain = grainOf(costs)
  const better = (from: readonly Evening[], time: number): boolean => {
    const found = solveWhole(from, groups, classes, wanted, question, kits, costs, solve, time)
    if (found && found.plan.minutes < best.minutes - 1e-6) best = found.plan
    return found?.optimal ?? false
  }
  if (!proved) {
    const start = all ? evenings : eveningsIn(best, question, groups, classes, costs)
    const relaxed = relax(start, all, question, groups, classes, wanted, costs, solve, clock, PRICE_SECONDS)
    if (relaxed) {
      bound = Math.max(0, Math.ceil(relaxed.bound / grain - 1e-6) * grain)
      if (best.minutes > bound + 1e-6) {
        // Among the columns that the relaxed plan nearly took there is mostly a very good whole one.
        const near = relaxed.evenings
          .map((evening) => ({ evening, cost: relaxed.reducedCost(evening) }))
          .sort((a, b) => a.cost - b.cost)
        better(
          near.slice(0, NEAR).map(({ evening }) => evening),
          Math.min(left() / 2, FIRST_SECONDS),
        )
      }
      if (best.minutes > bound + 1e-6) {
        // A column whose reduced cost lifts the bound above what is known already cannot be in a better plan.
        const most = best.minutes - grain - relaxed.bound + 1e-6
        const kept = all
          ? { evenings: evenings.filter((evening) => relaxed.reducedCost(evening) <= most), all: true }
          : eveningsWithin(most, question.blocks, groups, classes, costs, relaxed.prices, MOST_PRICED)
        proved = better(kept.evenings, left()) && kept.all
      }
    }
  }
  const optimal = proved || best.minutes <= bound + 1e-6
  return {
    seats: best.seats,
    changeoverMinutes: best.minutes,
    boundMinutes: optimal ? best.minutes : Math.min(bound, best.minutes),
    optimal,
    byHandMinutes: byHand,
    changes: best.changes,
    unseated: unseatedOf(question, kits, best.seats),
  }
}

/** All minutes are multiples of this, as far as the costs are whole; otherwise they may differ by anything that counts. */
function grainOf(costs: PlanCosts): number {
  const values = (Object.keys(costs) as (keyof PlanCosts)[]).map((part) => costs[part]).filter((value) => value > 0)
  if (values.length === 0) return 1
  if (values.some((value) => !Number.isInteger(value))) return 1e-6
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b))
  return values.reduce((a, b) => gcd(a, b))
}

function classesOf(students: readonly PlanStudent[], kits: ReadonlyMap<string, PlanKit>): Class[] {
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

function groupsOf(machines: readonly PlanMachine[], classes: readonly Class[]): Group[] {
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
function eveningsOf(
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

/** The covering program: which evenings, one a machine, seat so many at the least minutes. */
function programOf(
  evenings: readonly Evening[],
  groups: readonly Group[],
  classes: readonly Class[],
  wanted: number,
  whole: boolean,
): string {
  const sum = (terms: readonly string[]) => (terms.length > 0 ? terms.join(' + ') : '0 x0')
  const lines = ['Minimize', ` obj: ${sum(evenings.map(({ minutes }, index) => `${minutes} x${index}`))}`, 'Subject To']
  groups.forEach(({ machines }, group) => {
    const terms = evenings.flatMap((evening, index) => (evening.group === group ? [`x${index}`] : []))
    if (terms.length > 0) lines.push(` g${group}: ${sum(terms)} <= ${machines.length}`)
  })
  const byClass = new Map<number, Map<number, number>>()
  evenings.forEach(({ seats }, index) => {
    for (const { cls } of seats) {
      const terms = byClass.get(cls) ?? new Map<number, number>()
      terms.set(index, (terms.get(index) ?? 0) + 1)
      byClass.set(cls, terms)
    }
  })
  for (const [cls, terms] of byClass) {
    const list = [...terms].map(([index, count]) => `${count} x${index}`)
    lines.push(` d${cls}: ${sum(list)} <= ${classes[cls]!.students.length}`)
  }
  lines.push(` seats: ${sum(evenings.map(({ seats }, index) => `${seats.length} x${index}`))} >= ${wanted}`)
  lines.push('Bounds')
  evenings.forEach(({ group }, index) => lines.push(` 0 <= x${index} <= ${groups[group]!.machines.length}`))
  if (whole) lines.push('General', ` ${evenings.map((_, index) => `x${index}`).join(' ')}`)
  lines.push('End')
  return lines.join('\n')
}

/** What a seat of each class is worth, and what a machine of each group costs, in the relaxed plan. */
interface Prices {
  /** by class, the seat itself counted in */
  readonly seat: readonly number[]
  readonly group: readonly number[]
}

const pricesOf = (rows: ReadonlyMap<string, number>, groups: readonly Group[], classes: readonly Class[]): Prices => ({
  seat: classes.map((_, cls) => (rows.get(`d${cls}`) ?? 0) + (rows.get('seats') ?? 0)),
  group: groups.map((_, group) => rows.get(`g${group}`) ?? 0),
})

const reducedCostOf = ({ group, seats, minutes }: Evening, prices: Prices): number =>
  minutes - prices.group[group]! - seats.reduce((sum, { cls }) => sum + prices.seat[cls]!, 0)

/**
 * The plan with parts of machines allowed: a true lower bound. Where not all evenings are listed, those that would better it
 * are priced out and added until none is left or the time is up; the bound is true at any moment.
 */
function relax(
  start: readonly Evening[],
  all: boolean,
  { blocks }: PlanQuestion,
  groups: readonly Group[],
  classes: readonly Class[],
  wanted: number,
  costs: PlanCosts,
  solve: Solve,
  clock: () => number,
  seconds: number,
):
  | {
      readonly bound: number
      readonly evenings: readonly Evening[]
      readonly prices: Prices
      readonly reducedCost: (evening: Evening) => number
    }
  | undefined {
  const begun = clock()
  const evenings = [...start]
  const known = new Set(evenings.map(keyOf))
  let best: { bound: number; prices: Prices }
  for (;;) {
    const answer = solve(programOf(evenings, groups, classes, wanted, false), Math.max(1, seconds))
    if (!answer?.optimal || answer.objective === Infinity) return undefined
    const prices = pricesOf(answer.rows, groups, classes)
    if (all) {
      best = { bound: answer.objective, prices }
      break
    }
    const fresh = groups.flatMap((group, index) =>
      cheapestEvenings(index, group, blocks, classes, costs, prices).filter((evening) => {
        const key = keyOf(evening)
        if (known.has(key) || reducedCostOf(evening, prices) > -1e-7) return false
        known.add(key)
        return true
      }),
    )
    const over = fresh.length === 0 || clock() - begun > seconds
    if (over) {
      // What no machine's evening can win against these prices is a true bound, however far the pricing has come.
      const won = groups.reduce(
        (sum, group, index) => sum + group.machines.length * leastReduced(index, group, blocks, classes, costs, prices),
        0,
      )
      best = { bound: answer.objective + won, prices }
      break
    }
    evenings.push(...fresh)
  }
  const { prices } = best
  return { ...best, evenings, reducedCost: (evening) => reducedCostOf(evening, prices) }
}

const keyOf = ({ group, seats }: Evening): string =>
  `${group}:${seats.map(({ cls, block }) => `${cls}@${block}`).join(',')}`

/** From one class, or from what a machine holds, to the next: minutes less what the seat is worth. */
const stepCost = (from: PlanHolds, cls: number, classes: readonly Class[], costs: PlanCosts, prices: Prices): number =>
  changeover(from, classes[cls]!.kit, costs).minutes - prices.seat[cls]!

/** The block that a class would take after block `last`; undefined when it cannot come then. */
function blockAfter(last: number, { block }: Class, blocks: number): number | undefined {
  const at = block ?? last + 1
  return at > last && at <= blocks ? at : undefined
}

/** Good evenings of one group at these prices, one for each class that may come last at each block. */
function cheapestEvenings(
  group: number,
  { machines, classes: able }: Group,
  blocks: number,
  classes: readonly Class[],
  costs: PlanCosts,
  prices: Prices,
): Evening[] {
  interface Path {
    readonly cost: number
    readonly seats: Evening['seats']
  }
  const evenings: Evening[] = []
  const paths: Map<number, Path>[] = Array.from({ length: blocks + 1 }, () => new Map<number, Path>())
  const go = (from: PlanHolds, last: number, cls: number, path: Path) => {
    const block = blockAfter(last, classes[cls]!, blocks)
    if (block === undefined) return
    if (path.seats.filter((seat) => seat.cls === cls).length >= classes[cls]!.students.length) return
    const cost = path.cost + stepCost(from, cls, classes, costs, prices)
    if (cost < (paths[block]!.get(cls)?.cost ?? Infinity))
      paths[block]!.set(cls, { cost, seats: [...path.seats, { cls, block }] })
  }
  for (const cls of able) go(machines[0]!.holds, 0, cls, { cost: 0, seats: [] })
  for (let last = 1; last <= blocks; last += 1) {
    for (const [from, path] of paths[last]!) {
      const minutes = path.cost + path.seats.reduce((sum, { cls }) => sum + prices.seat[cls]!, 0)
      evenings.push({ group, seats: path.seats, minutes })
      for (const cls of able) go(classes[from]!.kit, last, cls, path)
    }
  }
  return evenings
}

/** Steps between a group's classes at these prices, and the least that can still be won after each at a block. */
function outlookOf(
  { machines, classes: able }: Group,
  blocks: number,
  classes: readonly Class[],
  costs: PlanCosts,
  prices: Prices,
) {
  const first = able.map((cls) => stepCost(machines[0]!.holds, cls, classes, costs, prices))
  const step = able.map((from) => able.map((cls) => stepCost(classes[from]!.kit, cls, classes, costs, prices)))
  const after: Float64Array[] = Array.from({ length: blocks + 1 }, () => new Float64Array(able.length))
  for (let last = blocks; last >= 1; last -= 1) {
    able.forEach((_, from) => {
      let least = 0
      able.forEach((cls, to) => {
        const block = blockAfter(last, classes[cls]!, blocks)
        // Somebody alone in their class does not sit twice; further back than one step this is forgotten.
        if (block === undefined || (from === to && classes[cls]!.students.length < 2)) return
        least = Math.min(least, step[from]![to]! + after[block]![to]!)
      })
      after[last]![from] = least
    })
  }
  return { first, step, after }
}

/** The least reduced cost that any evening of a group has, and never above 0: no evening at all costs nothing. */
function leastReduced(
  group: number,
  own: Group,
  blocks: number,
  classes: readonly Class[],
  costs: PlanCosts,
  prices: Prices,
): number {
  const { classes: able } = own
  const { first, step, after } = outlookOf(own, blocks, classes, costs, prices)
  const used = new Uint8Array(able.length)
  const base = -prices.group[group]!
  let least = 0
  const grow = (from: number, last: number, reduced: number): void => {
    for (let to = 0; to < able.length; to += 1) {
      const cls = classes[able[to]!]!
      const block = blockAfter(last, cls, blocks)
      if (block === undefined || used[to]! >= cls.students.length) continue
      const next = reduced + (from < 0 ? first[to]! : step[from]![to]!)
      if (next + after[block]![to]! >= least - 1e-9) continue
      least = Math.min(least, next)
      used[to]! += 1
      grow(to, block, next)
      used[to]! -= 1
    }
  }
  grow(-1, 0, base)
  return least
}

/** Every evening whose reduced cost is at most `most`, each set of classes at its cheapest order. */
function eveningsWithin(
  most: number,
  blocks: number,
  groups: readonly Group[],
  classes: readonly Class[],
  costs: PlanCosts,
  prices: Prices,
  limit: number,
): { readonly evenings: Evening[]; readonly all: boolean } {
  const found = new Map<string, Evening>()
  let all = true
  groups.forEach((group, index) => {
    const { classes: able } = group
    const { first, step, after } = outlookOf(group, blocks, classes, costs, prices)
    const used = new Uint8Array(able.length)
    const seats: { cls: number; block: number }[] = []
    const grow = (from: number, last: number, reduced: number): void => {
      for (let to = 0; to < able.length; to += 1) {
        if (found.size >= limit) {
          all = false
          return
        }
        const cls = able[to]!
        const block = blockAfter(last, classes[cls]!, blocks)
        if (block === undefined || used[to]! >= classes[cls]!.students.length) continue
        const next = reduced + (from < 0 ? first[to]! : step[from]![to]!)
        if (next + after[block]![to]! > most) continue
        used[to]! += 1
        seats.push({ cls, block })
        if (next <= most) {
          // Each set of classes once, at its cheapest order.
          const key = `${index}:${seats
            .map((seat) => seat.cls)
            .sort((a, b) => a - b)
            .join(',')}`
          const minutes = next + prices.group[index]! + seats.reduce((sum, seat) => sum + prices.seat[seat.cls]!, 0)
          const before = found.get(key)
          if (!before || before.minutes > minutes + 1e-9) found.set(key, { group: index, seats: [...seats], minutes })
        }
        grow(to, block, next)
        seats.pop()
        used[to]! -= 1
      }
    }
    grow(-1, 0, -prices.group[index]!)
  })
  return { evenings: [...found.values()], all }
}

/** A plan's evenings as columns. */
function eveningsIn(
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

interface Plan {
  readonly seats: readonly PlanSeat[]
  readonly changes: readonly PlanChange[]
  readonly minutes: number
}

/** The best plan made of these evenings; of endless minutes when there is none. */
function solveWhole(
  evenings: readonly Evening[],
  groups: readonly Group[],
  classes: readonly Class[],
  wanted: number,
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
  solve: Solve,
  seconds: number,
): { readonly plan: Plan; readonly optimal: boolean } | undefined {
  const nothing = { seats: [], changes: [], minutes: Infinity }
  if (evenings.reduce((sum, { seats }) => Math.max(sum, seats.length), 0) === 0) {
    return { plan: nothing, optimal: true }
  }
  const answer = solve(programOf(evenings, groups, classes, wanted, true), seconds)
  if (!answer) return undefined
  if (answer.objective === Infinity) return { plan: nothing, optimal: true }
  const waiting = classes.map(({ students }) => [...students])
  const free = groups.map(({ machines }) => [...machines])
  const seats: PlanSeat[] = []
  evenings.forEach((evening, index) => {
    const times = Math.round(answer.columns.get(`x${index}`)?.value ?? 0)
    for (let count = 0; count < times; count += 1) {
      const machine = free[evening.group]!.shift()
      if (!machine) return
      for (const { cls, block } of evening.seats) {
        const student = waiting[cls]!.shift()
        if (student) seats.push({ student: student.id, machine: machine.id, block })
      }
    }
  })
  if (seats.length < wanted) return undefined
  return { plan: costed(seats, question, kits, costs), optimal: answer.optimal }
}

/** The minutes of a plan, machine by machine and block by block; an empty block changes nothing. */
function costed(
  seats: readonly PlanSeat[],
  { machines, students }: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Plan {
  const kitOf = new Map(students.map(({ id, kit }) => [id, kits.get(kit)!]))
  const order = new Map(machines.map(({ id }, index) => [id, index]))
  const sorted = [...seats].sort((a, b) => order.get(a.machine)! - order.get(b.machine)! || a.block - b.block)
  const holds = new Map<string, PlanHolds>(machines.map((machine) => [machine.id, machine.holds]))
  const changes: PlanChange[] = []
  for (const { student, machine, block } of sorted) {
    const kit = kitOf.get(student)!
    const change = changeover(holds.get(machine)!, kit, costs)
    if (change.parts.length > 0) changes.push({ machine, block, ...change })
    holds.set(machine, kit)
  }
  return { seats: sorted, changes, minutes: changes.reduce((sum, { minutes }) => sum + minutes, 0) }
}

const mayTake = (student: PlanStudent, machine: PlanMachine, block: number): boolean =>
  machine.can.includes(student.kit) &&
  (student.fixed?.machine === undefined || student.fixed.machine === machine.id) &&
  (student.fixed?.block === undefined || student.fixed.block === block)

/** As many seats as can be: augmenting paths between learners and the places at machines. */
function mostSeats(question: PlanQuestion, kits: ReadonlyMap<string, PlanKit>): PlanSeat[] {
  const { machines, blocks, students } = question
  const places = machines.flatMap((machine) =>
    Array.from({ length: blocks }, (_, block) => ({ machine, block: block + 1 })),
  )
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

/** Learners of one class are told apart no further: whoever comes first sits. */
function startFrom(seats: readonly PlanSeat[], question: PlanQuestion, classes: readonly Class[]): PlanSeat[] {
  const classOf = new Map(classes.flatMap((each, index) => each.students.map(({ id }) => [id, index] as const)))
  const next = classes.map(({ students }) => students.map(({ id }) => id))
  const order = new Map(question.machines.map(({ id }, index) => [id, index]))
  return [...seats]
    .sort((a, b) => a.block - b.block || order.get(a.machine)! - order.get(b.machine)!)
    .map((seat) => ({ ...seat, student: next[classOf.get(seat.student)!]!.shift()! }))
}

/** A good plan at once: two places change hands as long as that saves time. */
function improve(
  start: readonly PlanSeat[],
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Plan {
  const { machines, blocks, students } = question
  const who = new Map(students.map((student) => [student.id, student]))
  const rows: (PlanStudent | undefined)[][] = machines.map(() =>
    new Array<PlanStudent | undefined>(blocks).fill(undefined),
  )
  const at = new Map(machines.map(({ id }, index) => [id, index]))
  for (const { student, machine, block } of start) rows[at.get(machine)!]![block - 1] = who.get(student)
  const minutesOf = (machine: number): number => {
    let from: PlanHolds = machines[machine]!.holds
    let sum = 0
    for (const student of rows[machine]!) {
      if (!student) continue
      const kit = kits.get(student.kit)!
      sum += changeover(from, kit, costs).minutes
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
  return costed(seats, question, kits, costs)
}

/** What it costs without a plan: in the order they come, each takes the first free machine that can, block by block. */
function firstCome(question: PlanQuestion, kits: ReadonlyMap<string, PlanKit>, costs: PlanCosts): number {
  const { machines, blocks, students } = question
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
  return costed(seats, question, kits, costs).minutes
}

/** Why somebody has no seat, in one sentence. */
function unseatedOf(
  { machines, students, blocks }: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  seats: readonly PlanSeat[],
): PlanAnswer['unseated'] {
  const seated = new Set(seats.map(({ student }) => student))
  return students
    .filter(({ id }) => !seated.has(id))
    .map((student) => {
      const able = machines.filter(({ can }) => can.includes(student.kit))
      const { machine, block } = student.fixed ?? {}
      const because = !kits.has(student.kit)
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
