import { usesOf } from './breach'
import { classOf, layOut, namedSeats, type Layout } from './line'
import { kitOn, type PlanMachine, type Problem, type Solve } from './problem'
import { type Plan, costed } from './seating'

/** One machine's line with the block of each seat: what a line is when rules tie machines together. */
interface Timetable {
  readonly group: number
  readonly seats: readonly { readonly cls: number; readonly block: number }[]
  readonly minutes: number
  readonly moves: number
  /** by limit, what it takes: in each block, or of what is used up */
  readonly takes: readonly (readonly number[])[]
}

/** More than this are not listed; then the plan is not proved. */
const MOST_TIMETABLES = 24_000

export interface Timetabled {
  readonly plan: Plan
  readonly optimal: boolean
}

/**
 * The best plan where pairs, limits or places held already tie machines together: seats first, then the fewest moves, then
 * minutes, in one mixed-integer program with a column for each machine's whole timetable.
 * @returns undefined when none was found in the time
 */
export function solveTimetables(problem: Problem, solve: Solve, seconds: number): Timetabled | undefined {
  const { blocks, limits, pairs, students, machines } = problem
  const paired = new Set(pairs.flatMap((pair) => pair.students))
  const held = students.some(({ holdsPlace }) => holdsPlace)
  const layout = layOut(problem, {
    student: ({ id, holdsPlace, leftOut = 0 }) =>
      paired.has(id)
        ? id
        : holdsPlace || leftOut > 0
          ? JSON.stringify([holdsPlace?.machine, holdsPlace?.block, leftOut])
          : undefined,
    machine: ({ id }) => [held ? id : null, limits.map(({ uses }) => uses[id] ?? null)],
  })
  const { classes, groups } = layout
  const { tables, all } = timetablesOf(layout)
  if (tables.length === 0) return { plan: costed([], problem), optimal: all }

  // Each aim outweighs everything that the later ones could ever add up to.
  const mostMinutes = tables.reduce((most, { minutes }) => Math.max(most, minutes), 0) * machines.length + 1
  const move = held ? mostMinutes : 0
  const first = mostMinutes + move * (students.length + 1)
  const turns = (table: Timetable): number =>
    table.seats.reduce((sum, { cls }) => sum + (classes[cls]!.students[0]!.leftOut ?? 0), 0)
  const waited = students.reduce((sum, { leftOut = 0 }) => sum + leftOut, 0)
  const seat = first * (waited + 1)
  const terms = (of: (table: Timetable) => number): string => {
    const parts = tables.flatMap((table, index) => {
      const value = of(table)
      return value === 0 ? [] : [`${value < 0 ? '-' : '+'} ${Math.abs(value)} x${index}`]
    })
    return parts.length > 0 ? parts.join('\n ') : '0 x0'
  }
  const sits = (table: Timetable, cls: number, block?: number): number =>
    table.seats.filter((each) => each.cls === cls && (block === undefined || each.block === block)).length
  const cls = classOf(classes)
  const everyBlock = Array.from({ length: blocks }, (_, index) => index + 1)
  const rows = [
    ...groups.map((group, index) => `${terms((table) => (table.group === index ? 1 : 0))} <= ${group.machines.length}`),
    ...classes.map((each, cls) => `${terms((table) => sits(table, cls))} <= ${each.students.length}`),
    ...limits.flatMap((limit, index) =>
      (limit.per === 'fit' ? [0] : everyBlock.map((block) => block - 1)).map(
        (at) => `${terms(({ takes }) => takes[index]![at] ?? 0)} <= ${limit.most}`,
      ),
    ),
    ...pairs.flatMap(({ kind, students: [a, b] }) => {
      const [one, other] = [cls.get(a), cls.get(b)]
      if (one === undefined || other === undefined) return []
      return everyBlock.map((block) =>
        kind === 'apart'
          ? `${terms((table) => sits(table, one, block) + sits(table, other, block))} <= 1`
          : `${terms((table) => sits(table, one, block) - sits(table, other, block))} = 0`,
      )
    }),
  ]
  const program = [
    'Minimize',
    ` obj: ${terms((table) => table.minutes + move * table.moves - first * turns(table) - seat * table.seats.length)}`,
    'Subject To',
    ...rows.map((row, index) => ` r${index}: ${row}`),
    'Bounds',
    ...tables.map(({ group }, index) => ` 0 <= x${index} <= ${groups[group]!.machines.length}`),
    'General',
    ` ${tables.map((_, index) => `x${index}`).join('\n ')}`,
    'End',
  ].join('\n')
  const answer = solve(program, seconds)
  if (!answer || answer.objective === Infinity) return undefined
  const times = (index: number) => Math.round(answer.columns.get(`x${index}`)?.value ?? 0)
  const seats = namedSeats(tables, times, layout)
  return { plan: costed(seats, problem), optimal: answer.optimal && all }
}

function timetablesOf(layout: Layout): { readonly tables: Timetable[]; readonly all: boolean } {
  const { problem, groups, classes } = layout
  const { blocks } = problem
  const tables: Timetable[] = []
  let all = true
  groups.forEach((group, index) => {
    const machine = group.machines[0]!
    const used = new Uint8Array(classes.length)
    const seats: { cls: number; block: number }[] = []
    const grow = (block: number): void => {
      if (tables.length >= MOST_TIMETABLES) {
        all = false
        return
      }
      if (block > blocks) {
        if (seats.length > 0) tables.push(tableOf(index, machine, [...seats], layout))
        return
      }
      for (const cls of group.classes) {
        const { students, block: fixed, fromBlock } = classes[cls]!
        if (used[cls]! >= students.length || block < fromBlock || (fixed !== undefined && fixed !== block)) continue
        used[cls]! += 1
        seats.push({ cls, block })
        grow(block + 1)
        seats.pop()
        used[cls]! -= 1
      }
      grow(block + 1)
    }
    grow(1)
  })
  return { tables, all }
}

function tableOf(
  group: number,
  machine: PlanMachine,
  seats: Timetable['seats'],
  { problem, classes }: Layout,
): Timetable {
  const { limits, blocks } = problem
  let from = machine.holds
  let minutes = 0
  let moves = 0
  const takes = limits.map(({ per }) => new Array<number>(per === 'fit' ? 1 : blocks).fill(0))
  for (const { cls, block } of seats) {
    const { kit: named, students } = classes[cls]!
    const kit = kitOn(machine, named)
    const step = problem.step(from, kit)
    from = kit
    minutes += step.minutes
    const place = students[0]!.holdsPlace
    if (place && (place.machine !== machine.id || place.block !== block)) moves += 1
    limits.forEach((limit, index) => {
      const use = usesOf(limit, named.id, machine.id)
      if (limit.per === 'block') takes[index]![block - 1]! += use
      else if (step.usesUp) takes[index]![0]! += use
    })
  }
  return { group, seats, minutes, moves, takes }
}
