import { changeover, kitOn } from './changeover'
import type { PlanCosts, PlanKit, PlanQuestion } from './plan-question'
import { costed, mayTake, type Plan } from './seating'

/** Swaps tried for each pair of places, and at most; from how many minutes of loss down to how few a swap may still be taken. */
const SCHEDULE = { perPair: 300, most: 1_500_000, hot: 3, cold: 1 } as const
const SEED = 1

/** A repeatable source of chance, 0 ≤ x < 1. Source: the 32-bit linear congruential generator of common use. */
function chanceFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return state / 4_294_967_296
  }
}

/**
 * A better plan soon, by simulated annealing: two places change hands, at first also where that loses minutes. The seats stay
 * as many, the same question always gets the same answer, and what comes back is never worse than what went in.
 */
export function anneal(
  start: Plan,
  question: PlanQuestion,
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Plan {
  const { machines, students, blocks } = question
  const places = machines.length * blocks
  if (start.seats.length === 0 || places < 2) return start
  const kinds = [...new Set(students.map(({ kit }) => kit))]
  const kindOf = students.map(({ kit }) => kinds.indexOf(kit))
  const change = changeTables(question, kinds, kits, costs)
  const allowed = students.map((student) =>
    machines.flatMap((machine) => Array.from({ length: blocks }, (_, index) => mayTake(student, machine, index + 1))),
  )
  // Whoever has no seat waits at a place of their own behind the last, and may change with somebody who has one.
  const seated = new Set(start.seats.map(({ student }) => student))
  const waiting = students.flatMap(({ id }, index) => (seated.has(id) ? [] : [index]))
  const rows = new Int32Array(places + waiting.length).fill(-1)
  waiting.forEach((student, index) => (rows[places + index] = student))
  const machineAt = new Map(machines.map(({ id }, index) => [id, index]))
  const studentAt = new Map(students.map(({ id }, index) => [id, index]))
  for (const { student, machine, block } of start.seats)
    rows[machineAt.get(machine)! * blocks + block - 1] = studentAt.get(student)!

  const minutesOf = (machine: number): number => {
    if (machine >= machines.length) return 0
    const table = change[machine]!
    let from = kinds.length
    let sum = 0
    for (let at = machine * blocks; at < (machine + 1) * blocks; at += 1) {
      const student = rows[at]!
      if (student < 0) continue
      const to = kindOf[student]!
      sum += table[from * kinds.length + to]!
      from = to
    }
    return sum
  }
  const spent = machines.map((_, machine) => minutesOf(machine))
  const goes = (student: number, place: number) => student < 0 || place >= places || allowed[student]![place]!
  let total = spent.reduce((sum, minutes) => sum + minutes, 0)
  let least = total
  let best = rows.slice()
  const chance = chanceFrom(SEED)
  const tries = Math.min(SCHEDULE.most, SCHEDULE.perPair * places * places)
  const cooling = (SCHEDULE.cold / SCHEDULE.hot) ** (1 / tries)
  for (let step = 0, heat: number = SCHEDULE.hot; step < tries; step += 1, heat *= cooling) {
    const [a, b] = [Math.floor(chance() * places), Math.floor(chance() * rows.length)]
    const [one, other] = [rows[a]!, rows[b]!]
    if (one === other || !goes(one, b) || !goes(other, a) || (b >= places && one < 0)) continue
    const first = Math.floor(a / blocks)
    const second = b >= places ? machines.length : Math.floor(b / blocks)
    rows[a] = other
    rows[b] = one
    const now = minutesOf(first)
    const then = first === second ? 0 : minutesOf(second)
    const before = first === second ? spent[first]! : spent[first]! + (spent[second] ?? 0)
    const loss = now + then - before
    if (loss > 0 && chance() >= Math.exp(-loss / heat)) {
      rows[a] = one
      rows[b] = other
      continue
    }
    spent[first] = now
    if (first !== second && second < machines.length) spent[second] = then
    total += loss
    if (total < least - 1e-9) {
      least = total
      best = rows.slice()
    }
  }
  const seats = [...best.slice(0, places)].flatMap((student, at) =>
    student < 0
      ? []
      : [{ student: students[student]!.id, machine: machines[Math.floor(at / blocks)]!.id, block: (at % blocks) + 1 }],
  )
  const found = costed(seats, question, kits, costs)
  return found.minutes < start.minutes ? found : start
}

/** By machine, the minutes from each kit (last: from what it holds) to each, in rows. */
function changeTables(
  { machines }: PlanQuestion,
  kinds: readonly string[],
  kits: ReadonlyMap<string, PlanKit>,
  costs: PlanCosts,
): Float64Array[] {
  return machines.map((machine) => {
    const own = kinds.map((kind) => kitOn(machine, kits.get(kind)!))
    return Float64Array.from(
      [...own, machine.holds].flatMap((from) => own.map((to) => changeover(from, to, costs).minutes)),
    )
  })
}
