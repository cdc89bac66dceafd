import type { Class, Evening, Group } from './evening'
import type { PlanCosts, PlanKit, PlanQuestion, PlanSeat, Solve } from './plan-question'
import { type Plan, costed } from './seating'

/** The covering program: which evenings, one a machine, seat so many at the least minutes. */
export function programOf(
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

/** The best plan made of these evenings; of endless minutes when there is none. */
export function solveWhole(
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
