import { namedSeats, type Layout, type Line } from './line'
import type { Solve } from './problem'
import { type Plan, costed } from './seating'

/** What a plan reaches: so many seats, and at least so many machines for the learners of each class. */
export interface Demand {
  readonly seats: number
  /** by class; 0: nothing that the seats do not say already */
  readonly machines: readonly number[]
  /** of those who had no seat before so many sit, whoever else does not; each of these rows for its own classes */
  readonly turns: readonly { readonly least: number; readonly classes: readonly boolean[] }[]
}

/**
 * Where everybody who can be seated is seated, seven of one class in lines of four blocks take two machines at least, and
 * never one and three quarters. Saying so lifts the relaxed plan most of the way to the whole one: a rounding cut of
 * Chvátal and Gomory on each class's row.
 * @param seats so many can be seated
 */
export function demandOf(seats: number, { problem, groups, classes }: Layout, turns: Demand['turns'] = []): Demand {
  const { blocks } = problem
  const able = classes.map((_, cls) => groups.some((group) => group.classes.includes(cls)))
  const everybody = classes.reduce((sum, { students }, cls) => sum + (able[cls] ? students.length : 0), 0)
  const machines = classes.map(({ block, fromBlock, students }, cls) => {
    const most = block === undefined ? blocks - fromBlock + 1 : 1
    if (seats < everybody || !able[cls] || most < 2 || students.length < 2) return 0
    return Math.ceil(students.length / most)
  })
  return { seats, machines, turns }
}

/** The covering program: which lines, one a machine, seat so many at the least minutes. */
export function programOf(lines: readonly Line[], { groups, classes }: Layout, demand: Demand, whole: boolean): string {
  const sum = (terms: readonly string[]) => (terms.length > 0 ? terms.join(' + ') : '0 x0')
  const rows = ['Minimize', ` obj: ${sum(lines.map(({ minutes }, index) => `${minutes} x${index}`))}`, 'Subject To']
  groups.forEach(({ machines }, group) => {
    const terms = lines.flatMap((line, index) => (line.group === group ? [`x${index}`] : []))
    if (terms.length > 0) rows.push(` g${group}: ${sum(terms)} <= ${machines.length}`)
  })
  const byClass = new Map<number, Map<number, number>>()
  lines.forEach(({ seats }, index) => {
    for (const { cls } of seats) {
      const terms = byClass.get(cls) ?? new Map<number, number>()
      terms.set(index, (terms.get(index) ?? 0) + 1)
      byClass.set(cls, terms)
    }
  })
  for (const [cls, terms] of byClass) {
    const list = [...terms].map(([index, count]) => `${count} x${index}`)
    rows.push(` d${cls}: ${sum(list)} <= ${classes[cls]!.students.length}`)
    const machines = demand.machines[cls]!
    if (machines > 0) rows.push(` m${cls}: ${sum([...terms.keys()].map((index) => `x${index}`))} >= ${machines}`)
  }
  demand.turns.forEach(({ least, classes: own }, index) => {
    const terms = lines.flatMap(({ seats }, at) => {
      const count = seats.filter(({ cls }) => own[cls]).length
      return count > 0 ? [`${count} x${at}`] : []
    })
    rows.push(` t${index}: ${sum(terms)} >= ${least}`)
  })
  rows.push(` seats: ${sum(lines.map(({ seats }, index) => `${seats.length} x${index}`))} >= ${demand.seats}`)
  if (whole) {
    rows.push('Bounds', ...lines.map(({ group }, index) => ` 0 <= x${index} <= ${groups[group]!.machines.length}`))
    rows.push('General', ` ${lines.map((_, index) => `x${index}`).join(' ')}`)
  }
  // A relaxed column has no bound of its own: the group's row says the same, and the price must stand there.
  rows.push('End')
  return rows.join('\n')
}

/** The best plan made of these lines; of endless minutes when there is none. */
export function solveWhole(
  lines: readonly Line[],
  layout: Layout,
  demand: Demand,
  solve: Solve,
  seconds: number,
): { readonly plan: Plan; readonly optimal: boolean } | undefined {
  const nothing = { seats: [], minutes: Infinity }
  if (lines.reduce((sum, { seats }) => Math.max(sum, seats.length), 0) === 0) {
    return { plan: nothing, optimal: true }
  }
  const answer = solve(programOf(lines, layout, demand, true), seconds)
  if (!answer) return undefined
  if (answer.objective === Infinity) return { plan: nothing, optimal: true }
  const seats = namedSeats(lines, (index) => Math.round(answer.columns.get(`x${index}`)?.value ?? 0), layout)
  if (seats.length < demand.seats) return undefined
  return { plan: costed(seats, layout.problem), optimal: answer.optimal }
}
