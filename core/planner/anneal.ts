import { uniformFloat32 } from 'pure-rand/distribution/uniformFloat32'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { kitOn, type Problem } from './problem'
import { costed, mayTake, type Plan } from './seating'

/**
 * Exchanges tried for each pair of places, and at most; from how many minutes of loss down to how few one may still be taken;
 * how many of them are of the rest of two machines' lines, which loses only at the seam.
 */
const SCHEDULE = { perPair: 300, most: 1_500_000, hot: 2, cold: 0.5, tails: 0.6 } as const
const SEED = 1

/**
 * A better plan soon, by simulated annealing: two places change hands, or what two machines sew from a block on, at first
 * also where that loses minutes. The seats stay as many, the same question always gets the same answer, and what comes back is
 * never worse than what went in.
 */
export function anneal(start: Plan, problem: Problem): Plan {
  const { machines, students, blocks } = problem
  const places = machines.length * blocks
  if (start.seats.length === 0 || places < 2) return start
  const kinds = [...new Set(students.map(({ kit }) => kit))]
  const kindOf = students.map(({ kit }) => kinds.indexOf(kit))
  const change = minuteTables(problem, kinds)
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
  const goes = (student: number, place: number) => student < 0 || place >= places || allowed[student]![place]!
  const waited = students.map(({ leftOut = 0 }) => leftOut)
  const mayExchange = (a: number, b: number, length: number): boolean => {
    let differ = false
    for (let at = 0; at < length; at += 1) {
      const [one, other] = [rows[a + at]!, rows[b + at]!]
      if (!goes(one, b + at) || !goes(other, a + at) || (b >= places && one < 0)) return false
      // Nobody who had no seat before gives theirs up to somebody who had one.
      if (b >= places && waited[other]! < waited[one]!) return false
      differ ||= one !== other
    }
    return differ
  }
  const exchange = (a: number, b: number, length: number) => {
    for (let at = 0; at < length; at += 1) {
      const one = rows[a + at]!
      rows[a + at] = rows[b + at]!
      rows[b + at] = one
    }
  }
  const spent = machines.map((_, machine) => minutesOf(machine))
  let total = spent.reduce((sum, minutes) => sum + minutes, 0)
  let least = total
  let best = rows.slice()
  const generator = xoroshiro128plus(SEED)
  /** 0 ≤ x < 1, the same every time */
  const chance = () => uniformFloat32(generator)
  const tries = Math.min(SCHEDULE.most, SCHEDULE.perPair * places * places)
  const cooling = (SCHEDULE.cold / SCHEDULE.hot) ** (1 / tries)
  for (let step = 0, heat: number = SCHEDULE.hot; step < tries; step += 1, heat *= cooling) {
    const a = Math.floor(chance() * places)
    const tail = chance() < SCHEDULE.tails
    const first = Math.floor(a / blocks)
    const b = tail ? Math.floor(chance() * machines.length) * blocks + (a % blocks) : Math.floor(chance() * rows.length)
    const length = tail ? blocks - (a % blocks) : 1
    const second = b >= places ? machines.length : Math.floor(b / blocks)
    if (a === b || !mayExchange(a, b, length)) continue
    exchange(a, b, length)
    const now = minutesOf(first)
    const then = first === second ? 0 : minutesOf(second)
    const before = first === second ? spent[first]! : spent[first]! + (spent[second] ?? 0)
    const loss = now + then - before
    if (loss > 0 && chance() >= Math.exp(-loss / heat)) {
      exchange(a, b, length)
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
  const found = costed(seats, problem)
  return found.minutes < start.minutes ? found : start
}

/** By machine, the minutes from each kit (last: from what it holds) to each, in rows. */
function minuteTables({ machines, kits, step }: Problem, kinds: readonly string[]): Float64Array[] {
  return machines.map((machine) => {
    const own = kinds.map((kind) => kitOn(machine, kits.get(kind)!))
    return Float64Array.from([...own, machine.holds].flatMap((from) => own.map((to) => step(from, to).minutes)))
  })
}
