import { changeover } from './changeover'
import { blockAfter, type Class, type Evening, type Group } from './evening'
import type { PlanCosts, PlanHolds, PlanQuestion, Solve } from './plan-question'
import { programOf } from './program'

/** More evenings than this that could better the plan are not all looked at; then it may not be proved. */
export const MOST_PRICED = 9_000

/** How long the relaxed program may be worked at. */
export const PRICE_SECONDS = 6

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
export function relax(
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
const stepCost = (from: PlanHolds, cls: number, { kits }: Group, costs: PlanCosts, prices: Prices): number =>
  changeover(from, kits[cls]!, costs).minutes - prices.seat[cls]!

/** Good evenings of one group at these prices, one for each class that may come last at each block. */
function cheapestEvenings(
  group: number,
  own: Group,
  blocks: number,
  classes: readonly Class[],
  costs: PlanCosts,
  prices: Prices,
): Evening[] {
  const { machines, classes: able } = own
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
    const cost = path.cost + stepCost(from, cls, own, costs, prices)
    if (cost < (paths[block]!.get(cls)?.cost ?? Infinity))
      paths[block]!.set(cls, { cost, seats: [...path.seats, { cls, block }] })
  }
  for (const cls of able) go(machines[0]!.holds, 0, cls, { cost: 0, seats: [] })
  for (let last = 1; last <= blocks; last += 1) {
    for (const [from, path] of paths[last]!) {
      const minutes = path.cost + path.seats.reduce((sum, { cls }) => sum + prices.seat[cls]!, 0)
      evenings.push({ group, seats: path.seats, minutes })
      for (const cls of able) go(own.kits[from]!, last, cls, path)
    }
  }
  return evenings
}

/** Steps between a group's classes at these prices, and the least that can still be won after each at a block. */
function outlookOf(own: Group, blocks: number, classes: readonly Class[], costs: PlanCosts, prices: Prices) {
  const { machines, classes: able, kits } = own
  const first = able.map((cls) => stepCost(machines[0]!.holds, cls, own, costs, prices))
  const step = able.map((from) => able.map((cls) => stepCost(kits[from]!, cls, own, costs, prices)))
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
export function eveningsWithin(
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
