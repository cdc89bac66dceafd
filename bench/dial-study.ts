import { GATES } from '@/core/knowledge/tension/tension'
import { nextStep, type SwatchAt } from '@/core/tension/next-step'
import { readSwatch } from '@/core/tension/reading'
import { dialUnit, type Dial } from '@/core/units/dial'
import { Chance } from '@/practice/random'
import { LineMachine, type Kind } from './line-machine'
import { HIDDEN, SimulatedMachine } from './simulated-machine'

/**
 * How many swatches until a machine sews well, the good one included: the adviser beside the plain rule of a person without a
 * tool (one whole number, the other way when it got worse, then half), under the same limits. No number is shared between
 * the machines here and the adviser.
 */
const MACHINES = Number(process.env['ORTHODEX_STUDY_MACHINES'] ?? 2_000)
const MOST = 12

interface Machine {
  readonly dial: Dial
  readonly start: number
  readonly target: 'straight' | 'zigzag' | 'embroidery'
  readonly stackMm?: number
  stitch(at: number): SwatchAt
}
type Role = 'staff' | 'learner'
interface Outcome {
  /** swatches until good; Infinity: never */
  readonly swatches: number
  /** how it ended, when not well */
  readonly gaveUp?: string
  readonly outside: boolean
}
type Way = (
  machine: Machine,
  swatches: readonly SwatchAt[],
  role: Role,
) => number | 'done' | { readonly gaveUp: string }

const limits = ({ dial, start }: Machine, role: Role) => {
  if (role === 'staff') return { low: dial.min, high: dial.max }
  const reach = Math.max(2 * dialUnit(dial), 2 * dial.step)
  const mark = (value: number, round: (steps: number) => number) =>
    dial.min + round(Number(((value - dial.min) / dial.step).toFixed(6))) * dial.step
  return {
    low: Math.max(dial.min, mark(start - reach, Math.ceil)),
    high: Math.min(dial.max, mark(start + reach, Math.floor)),
  }
}

const adviser: Way = (machine, swatches, role) => {
  const { dial, start, target, stackMm } = machine
  const { next } = nextStep({
    dial,
    start,
    ...(stackMm !== undefined && { stackMm }),
    target,
    done: [...GATES],
    swatches,
    role,
    school: 'hands-on',
    bobbinScrew: false,
  })
  if (next.do === 'done') return 'done'
  // A person stitches again at the same mark when asked to look at the bobbin, and turns the dial when told.
  return next.dial ?? { gaveUp: next.do }
}

/** One whole number against what is seen; the other way, and half as far, as soon as it went past. */
const plainRule: Way = (machine, swatches, role) => {
  const { dial, target } = machine
  const off = (swatch: SwatchAt) => {
    const { s, onTarget } = readSwatch(swatch, target)
    return onTarget ? 0 : s - { straight: 0, zigzag: -0.75, embroidery: -1.5 }[target]
  }
  const last = swatches.at(-1)!
  if (off(last) === 0) return 'done'
  if (role === 'learner' && swatches.length >= 5) return { gaveUp: 'five swatches' }
  const turns = swatches.filter(
    (each, index) => index > 0 && Math.sign(off(each)) !== Math.sign(off(swatches[index - 1]!)),
  )
  const move = firstMove(machine) / 2 ** turns.length
  if (move < dial.step / 2 - 1e-9) return { gaveUp: 'nothing between' }
  const grid = dial.step / 2
  const { low, high } = limits(machine, role)
  const wanted = Math.round((last.dial - Math.sign(off(last)) * move) / grid) * grid
  const next = Math.min(high, Math.max(low, wanted))
  return Math.abs(next - last.dial) < 1e-9 ? { gaveUp: 'end of the dial' } : next
}

function sew(machine: Machine, way: Way, role: Role): Outcome {
  const { low, high } = limits(machine, role)
  const swatches = [machine.stitch(machine.start)]
  let outside = false
  for (;;) {
    const next = way(machine, swatches, role)
    if (next === 'done') return { swatches: swatches.length, outside }
    if (typeof next !== 'number') return { swatches: Infinity, gaveUp: next.gaveUp, outside }
    if (swatches.length >= MOST) return { swatches: Infinity, gaveUp: 'too many', outside }
    outside ||= next < low - 1e-9 || next > high + 1e-9
    swatches.push(machine.stitch(next))
  }
}

const ORDINARY: Kind = {
  name: 'ordinary',
  dial: { min: 0, max: 9, normal: 4, step: 0.5 },
  slope: 0.8,
  slopeSpread: 0.25,
  placeSpread: 1,
  noise: 0.2,
  target: 'straight',
}
const KINDS: readonly Kind[] = [
  ORDINARY,
  { ...ORDINARY, name: 'steep', slope: 2 },
  { ...ORDINARY, name: 'far off', placeSpread: 2.2 },
  { ...ORDINARY, name: 'thin', slope: 0.35 },
  { ...ORDINARY, name: 'noisy eye', noise: 0.5 },
  { ...ORDINARY, name: 'dial 1–5', dial: { min: 1, max: 5, normal: 3, step: 0.5 } },
  { ...ORDINARY, name: 'dial 1–5, whole', dial: { min: 1, max: 5, normal: 3, step: 1 } },
  { ...ORDINARY, name: 'dial 0–10', dial: { min: 0, max: 10, normal: 5, step: 0.25 } },
  { ...ORDINARY, name: 'zigzag', target: 'zigzag' },
  { ...ORDINARY, name: 'embroidery', target: 'embroidery' },
]

/** A whole number, or one step where a step is more: a smaller first move shows nothing, and nobody here makes one. */
const firstMove = ({ dial }: Machine) => Math.max(dialUnit(dial), dial.step)

const looksGood = (machine: Machine, at: number) => readSwatch(machine.stitch(at), machine.target).onTarget

/**
 * The share that anybody could have done with two swatches who knew beforehand what this kind of machine does with each
 * second mark, and makes no first move smaller than is made here. No way of choosing does better.
 */
function atMostWithinTwo(machines: readonly Machine[]): number {
  let good = 0
  const byLook = new Map<string, Map<number, number>>()
  for (const machine of machines) {
    const { dial, start, target } = machine
    const first = machine.stitch(start)
    if (readSwatch(first, target).onTarget) {
      good += 1
      continue
    }
    const look = `${first.top} ${first.under}`
    const marks = byLook.get(look) ?? new Map<number, number>()
    byLook.set(look, marks)
    for (let mark = dial.min; mark <= dial.max + 1e-9; mark += dial.step / 2)
      if (Math.abs(mark - start) >= firstMove(machine) - 1e-9 && looksGood(machine, mark))
        marks.set(mark, (marks.get(mark) ?? 0) + 1)
  }
  for (const marks of byLook.values()) good += Math.max(0, ...marks.values())
  return good / machines.length
}

const percent = (part: number) => `${(100 * part).toFixed(1)} %`.padStart(8)
function told(name: string, outcomes: readonly Outcome[]): string {
  const counts = outcomes.map(({ swatches }) => swatches).sort((a, b) => a - b)
  const share = (most: number) => counts.filter((count) => count <= most).length / counts.length
  const dead = outcomes.filter(({ gaveUp }) => gaveUp === 'not-the-dial').length
  return `${name.padEnd(26)} done ${percent(share(MOST))}  median ${counts[Math.floor(counts.length / 2)]}  within 4 ${percent(share(4))}  called dead ${dead}  outside ${outcomes.filter(({ outside }) => outside).length}`
}

const started = performance.now()
for (const role of ['staff', 'learner'] as const) {
  console.log(`\n${MACHINES} machines each, ${role}`)
  for (const kind of KINDS)
    for (const [name, way] of [
      ['adviser', adviser],
      ['plain rule', plainRule],
    ] as const) {
      // Both ways meet the very same machines.
      const outcomes = Array.from({ length: MACHINES }, (_, index) =>
        sew(new LineMachine(new Chance(20_26 + index), kind), way, role),
      )
      console.log(told(`${kind.name}, ${name}`, outcomes))
    }
}
console.log(`\nthe same machines read by a camera, staff`)
for (const kind of KINDS)
  for (const [name, way] of [
    ['adviser', adviser],
    ['adviser, camera', adviser],
  ] as const) {
    const outcomes = Array.from({ length: MACHINES }, (_, index) => {
      const machine = new LineMachine(new Chance(20_26 + index), kind)
      const { dial, start, target } = machine
      const photographed = { dial, start, target, stitch: (at: number) => machine.photograph(at) }
      return sew(name === 'adviser' ? machine : photographed, way, 'staff')
    })
    console.log(told(`${kind.name}, ${name}`, outcomes))
  }
console.log('\nat most, by anybody, with two swatches (a median of two needs half)')
for (const kind of KINDS)
  console.log(
    `${kind.name.padEnd(26)} ${percent(atMostWithinTwo(Array.from({ length: MACHINES }, (_, index) => new LineMachine(new Chance(20_26 + index), kind))))}`,
  )
console.log('\nthe stitch model, staff')
for (const [name, way] of [
  ['adviser', adviser],
  ['plain rule', plainRule],
] as const) {
  const outcomes = Array.from({ length: MACHINES }, (_, index) => {
    const machine = Object.assign(new SimulatedMachine(new Chance(20_26 + index)), { target: 'straight' as const })
    return sew(machine, way, 'staff')
  })
  console.log(told(name, outcomes))
}
console.log('\nwhat is none of the dial’s, with everything before it done: given up within three swatches (aim 95 %)')
const recognised = (name: string, outcomes: readonly { readonly count: number; readonly how?: string }[]) => {
  const how = new Map<string, number>()
  for (const each of outcomes) how.set(each.how ?? 'done', (how.get(each.how ?? 'done') ?? 0) + 1)
  console.log(
    `${name.padEnd(26)} ${percent(outcomes.filter(({ count, how: why }) => count <= 3 && why).length / outcomes.length)}   ${[...how].map(([why, count]) => `${why} ${count}`).join(', ')}`,
  )
}
function giveUp(machine: Machine): { count: number; how?: string } {
  const swatches = [machine.stitch(machine.start)]
  for (;;) {
    const next = adviser(machine, swatches, 'staff')
    if (next === 'done') return { count: swatches.length }
    if (typeof next !== 'number') return { count: swatches.length, how: next.gaveUp }
    if (swatches.length >= MOST) return { count: Infinity, how: 'too many' }
    swatches.push(machine.stitch(next))
  }
}
for (const kind of KINDS) {
  const chance = new Chance(7)
  recognised(
    `dead, ${kind.name}`,
    Array.from({ length: MACHINES / 2 }, () => giveUp(new LineMachine(chance, { ...kind, dead: true }))),
  )
}
console.log('\nat most, by anybody: none of three swatches looks good by chance')
for (const kind of KINDS) {
  const chance = new Chance(7)
  const silent = Array.from({ length: MACHINES / 2 }, () => {
    const machine = new LineMachine(chance, { ...kind, dead: true })
    return ![0, 1, 2].some(() => looksGood(machine, machine.start))
  })
  console.log(`dead, ${kind.name.padEnd(20)} ${percent(silent.filter(Boolean).length / silent.length)}`)
}
for (const hidden of HIDDEN.filter((each) => each !== 'nothing')) {
  const chance = new Chance(7)
  recognised(
    hidden,
    Array.from({ length: MACHINES / 2 }, () =>
      giveUp(Object.assign(new SimulatedMachine(chance, hidden), { target: 'straight' as const })),
    ),
  )
}
console.log(`${((performance.now() - started) / 1000).toFixed(0)} s`)
