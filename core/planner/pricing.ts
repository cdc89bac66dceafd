import { blockAfter, type Group, type Layout, type Line } from './line'
import type { Effort, Problem, Setup } from './problem'
import { type Demand, programOf } from './program'

/** More lines than this that could better the plan are not all looked at; then it may not be proved. */
export const MOST_PRICED = 9_000

/** How long the relaxed program may be worked at. */
export const PRICE_SECONDS = 6

/** What a seat of each class is worth, and what a machine of each group costs, in the relaxed plan. */
interface Prices {
  /** by class, the seat itself counted in */
  readonly seat: readonly number[]
  /** by class, what one more machine for it is worth */
  readonly machine: readonly number[]
  readonly group: readonly number[]
}

const pricesOf = (rows: ReadonlyMap<string, number>, { groups, classes }: Layout, { turns }: Demand): Prices => ({
  seat: classes.map(
    (_, cls) =>
      (rows.get(`d${cls}`) ?? 0) +
      (rows.get('seats') ?? 0) +
      turns.reduce((sum, { classes: own }, index) => sum + (own[cls] ? (rows.get(`t${index}`) ?? 0) : 0), 0),
  ),
  machine: classes.map((_, cls) => rows.get(`m${cls}`) ?? 0),
  group: groups.map((_, group) => rows.get(`g${group}`) ?? 0),
})

/** What an line's seats are worth, minutes. */
const worthOf = (seats: Line['seats'], prices: Prices): number =>
  seats.reduce(
    (sum, { cls }, at) =>
      sum + prices.seat[cls]! + (seats.findIndex((seat) => seat.cls === cls) === at ? prices.machine[cls]! : 0),
    0,
  )

const reducedCostOf = ({ group, seats, minutes }: Line, prices: Prices): number =>
  minutes - prices.group[group]! - worthOf(seats, prices)

/**
 * The plan with parts of machines allowed: a true lower bound. Where not all lines are listed, those that would better it
 * are priced out and added until none is left or the time is up; the bound is true at any moment.
 */
export function relax(
  start: readonly Line[],
  all: boolean,
  layout: Layout,
  demand: Demand,
  { solve, clock, seconds }: Effort,
):
  | {
      readonly bound: number
      readonly lines: readonly Line[]
      readonly prices: Prices
      readonly reducedCost: (line: Line) => number
    }
  | undefined {
  const { groups } = layout
  const begun = clock()
  const lines = [...start]
  const known = new Set(lines.map(keyOf))
  let best: { bound: number; prices: Prices }
  for (;;) {
    const answer = solve(programOf(lines, layout, demand, false), Math.max(1, seconds))
    if (!answer?.optimal || answer.objective === Infinity) return undefined
    const prices = pricesOf(answer.rows, layout, demand)
    if (all) {
      best = { bound: answer.objective, prices }
      break
    }
    const fresh = groups.flatMap((_, index) =>
      cheapestLines(index, layout, prices).filter((line) => {
        const key = keyOf(line)
        if (known.has(key) || reducedCostOf(line, prices) > -1e-7) return false
        known.add(key)
        return true
      }),
    )
    const timeUp = clock() - begun > seconds
    if (fresh.length === 0 || timeUp) {
      const looked = groups.map((_, index) => bestLine(index, layout, prices))
      // One that is there already seems to win only within the solver's rounding; asked again it would win for ever.
      const winning = looked.flatMap(({ line, reduced }) =>
        line && reduced < -1e-7 && !known.has(keyOf(line)) ? [line] : [],
      )
      if (winning.length === 0 || timeUp) {
        // What no machine's line can win against these prices is a true bound, however far the pricing has come.
        const won = groups.reduce((sum, { machines }, index) => sum + machines.length * looked[index]!.reduced, 0)
        best = { bound: answer.objective + won, prices }
        break
      }
      for (const line of winning) known.add(keyOf(line))
      lines.push(...winning)
    } else lines.push(...fresh)
  }
  const { prices } = best
  return { ...best, lines, reducedCost: (line) => reducedCostOf(line, prices) }
}

const keyOf = ({ group, seats }: Line): string =>
  `${group}:${seats.map(({ cls, block }) => `${cls}@${block}`).join(',')}`

/** From one class, or from what a machine holds, to the next: minutes less what the seat is worth. */
const stepCost = (from: Setup, cls: number, { kits }: Group, { step }: Problem, prices: Prices): number =>
  step(from, kits[cls]!).minutes - prices.seat[cls]!

/** Good lines of one group at these prices, one for each class that may come last at each block. */
function cheapestLines(group: number, { problem, groups, classes }: Layout, prices: Prices): Line[] {
  const own = groups[group]!
  const { blocks } = problem
  const { machines, classes: able } = own
  interface Path {
    readonly cost: number
    readonly seats: Line['seats']
  }
  const lines: Line[] = []
  const paths: Map<number, Path>[] = Array.from({ length: blocks + 1 }, () => new Map<number, Path>())
  const go = (from: Setup, last: number, cls: number, path: Path) => {
    const block = blockAfter(last, classes[cls]!, blocks)
    if (block === undefined) return
    const before = path.seats.filter((seat) => seat.cls === cls).length
    if (before >= classes[cls]!.students.length) return
    const cost = path.cost + stepCost(from, cls, own, problem, prices) - (before === 0 ? prices.machine[cls]! : 0)
    if (cost < (paths[block]!.get(cls)?.cost ?? Infinity))
      paths[block]!.set(cls, { cost, seats: [...path.seats, { cls, block }] })
  }
  for (const cls of able) go(machines[0]!.holds, 0, cls, { cost: 0, seats: [] })
  for (let last = 1; last <= blocks; last += 1) {
    for (const [from, path] of paths[last]!) {
      lines.push({ group, seats: path.seats, minutes: path.cost + worthOf(path.seats, prices) })
      for (const cls of able) go(own.kits[from]!, last, cls, path)
    }
  }
  return lines
}

/**
 * Steps between a group's classes at these prices, and the least that can still be won after each at a block; a class is
 * taken to be new to the machine whenever it follows another.
 */
function outlookOf(own: Group, { problem, classes }: Layout, prices: Prices) {
  const { blocks } = problem
  const { machines, classes: able, kits } = own
  const first = able.map((cls) => stepCost(machines[0]!.holds, cls, own, problem, prices))
  const step = able.map((from) => able.map((cls) => stepCost(kits[from]!, cls, own, problem, prices)))
  const after: Float64Array[] = Array.from({ length: blocks + 1 }, () => new Float64Array(able.length))
  for (let last = blocks; last >= 1; last -= 1) {
    able.forEach((_, from) => {
      let least = 0
      able.forEach((cls, to) => {
        const block = blockAfter(last, classes[cls]!, blocks)
        // Somebody alone in their class does not sit twice; further back than one step this is forgotten.
        if (block === undefined || (from === to && classes[cls]!.students.length < 2)) return
        const taken = from === to ? 0 : prices.machine[cls]!
        least = Math.min(least, step[from]![to]! - taken + after[block]![to]!)
      })
      after[last]![from] = least
    })
  }
  return { first, step, after }
}

/**
 * The line of a group with the least reduced cost of all, by looking at every one that could be it.
 * @returns never above 0: no line at all costs nothing
 */
function bestLine(group: number, layout: Layout, prices: Prices): { readonly reduced: number; readonly line?: Line } {
  const { problem, classes } = layout
  const { blocks } = problem
  const own = layout.groups[group]!
  const { classes: able } = own
  const { first, step, after } = outlookOf(own, layout, prices)
  const used = new Uint8Array(able.length)
  const seats: { cls: number; block: number }[] = []
  let least = 0
  let found: Line['seats'] | undefined
  const grow = (from: number, last: number, reduced: number): void => {
    for (let to = 0; to < able.length; to += 1) {
      const cls = able[to]!
      const block = blockAfter(last, classes[cls]!, blocks)
      if (block === undefined || used[to]! >= classes[cls]!.students.length) continue
      const taken = used[to] === 0 ? prices.machine[cls]! : 0
      const next = reduced + (from < 0 ? first[to]! : step[from]![to]!) - taken
      if (next + after[block]![to]! >= least - 1e-9) continue
      used[to]! += 1
      seats.push({ cls, block })
      if (next < least) {
        least = next
        found = [...seats]
      }
      grow(to, block, next)
      seats.pop()
      used[to]! -= 1
    }
  }
  grow(-1, 0, -prices.group[group]!)
  if (!found) return { reduced: least }
  const minutes = least + prices.group[group]! + worthOf(found, prices)
  return { reduced: least, line: { group, seats: found, minutes } }
}

/** Every line whose reduced cost is at most `most`, each set of classes at its cheapest order. */
export function linesWithin(
  most: number,
  layout: Layout,
  prices: Prices,
  limit: number,
): { readonly lines: Line[]; readonly all: boolean } {
  const { problem, groups, classes } = layout
  const { blocks } = problem
  const found = new Map<string, Line>()
  let all = true
  groups.forEach((group, index) => {
    const { classes: able } = group
    const { first, step, after } = outlookOf(group, layout, prices)
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
        const taken = used[to] === 0 ? prices.machine[cls]! : 0
        const next = reduced + (from < 0 ? first[to]! : step[from]![to]!) - taken
        if (next + after[block]![to]! > most) continue
        used[to]! += 1
        seats.push({ cls, block })
        if (next <= most) {
          // Each set of classes once, at its cheapest order.
          const key = `${index}:${seats
            .map((seat) => seat.cls)
            .sort((a, b) => a - b)
            .join(',')}`
          const minutes = next + prices.group[index]! + worthOf(seats, prices)
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
  return { lines: [...found.values()], all }
}
