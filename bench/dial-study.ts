import { GATES } from '@/core/knowledge/tension'
import { nextStep, type SwatchAt } from '@/core/tension/next-step'
import { readSwatch } from '@/core/tension/reading'
import { dialUnit } from '@/core/units/dial'
import { Chance } from '../bin/demo-data/random'
import { HIDDEN, SimulatedMachine } from './simulated-machine'

/**
 * How many swatches until a machine sews well, the good one included: the adviser against turning by one number and against
 * halving. Each machine's right place lies anywhere within two numbers of where its kit starts.
 */
const MACHINES = Number(process.env['ORTHODEX_STUDY_MACHINES'] ?? 10_000)
const MOST = 12

/** The next dial after these swatches; undefined: gives up; 'done': good. */
type Way = (machine: SimulatedMachine, swatches: readonly SwatchAt[]) => number | 'done' | undefined

const offBy = (swatch: SwatchAt): number => {
  const { s, onTarget } = readSwatch(swatch, 'straight')
  return onTarget ? 0 : s
}
const clamp = (machine: SimulatedMachine, dial: number): number => {
  const { min, max, step } = machine.dial
  const unit = dialUnit(machine.dial)
  const low = Math.max(min, machine.start - 2 * unit)
  const high = Math.min(max, machine.start + 2 * unit)
  return Math.min(high, Math.max(low, Math.round(dial / step) * step))
}

let outside = 0
const WAYS: Readonly<Record<string, Way>> = {
  'the adviser': (machine, swatches) => {
    const { next } = nextStep({
      dial: machine.dial,
      start: machine.start,
      stackMm: machine.stackMm,
      target: 'straight',
      done: [...GATES],
      swatches,
      role: 'staff',
      school: 'hands-on',
      bobbinScrew: false,
    })
    if (next.dial !== undefined && Math.abs(next.dial - machine.start) > 2 * dialUnit(machine.dial) + 1e-6) outside += 1
    return next.do === 'done' ? 'done' : next.dial
  },
  'one number at a time': (machine, swatches) => {
    const last = swatches.at(-1)!
    const off = offBy(last)
    if (off === 0) return 'done'
    const next = clamp(machine, last.dial - Math.sign(off) * dialUnit(machine.dial))
    return next === last.dial ? undefined : next
  },
  halving: (machine, swatches) => {
    const last = swatches.at(-1)!
    if (offBy(last) === 0) return 'done'
    let low = clamp(machine, -1e9)
    let high = clamp(machine, 1e9)
    for (const swatch of swatches) {
      if (offBy(swatch) > 0) high = Math.min(high, swatch.dial)
      else low = Math.max(low, swatch.dial)
    }
    const next = clamp(machine, (low + high) / 2)
    return swatches.some(({ dial }) => dial === next) ? undefined : next
  },
}

const share = (counts: readonly number[], within: number) =>
  `${((100 * counts.filter((count) => count <= within).length) / counts.length).toFixed(1)} %`
const started = performance.now()
console.log(`${MACHINES} machines, each sewn until good`)
for (const [name, way] of Object.entries(WAYS)) {
  const chance = new Chance(20_26)
  const counts = Array.from({ length: MACHINES }, () => {
    const machine = new SimulatedMachine(chance)
    const swatches = [machine.stitch(machine.start)]
    for (;;) {
      const next = way(machine, swatches)
      if (next === 'done') return swatches.length
      if (next === undefined || swatches.length >= MOST) return Infinity
      swatches.push(machine.stitch(next))
    }
  })
  const median = [...counts].sort((a, b) => a - b)[Math.floor(counts.length / 2)]
  console.log(
    `${name.padEnd(22)} median ${median}   within 3 ${share(counts, 3)}   within 4 ${share(counts, 4)}   never ${share(
      counts.map((count) => (count === Infinity ? 0 : 1)),
      0,
    )}`,
  )
}
console.log(`dials proposed outside the limits: ${outside}`)
console.log('faults that are none of the dial’s, with everything before the dial done:')
for (const hidden of HIDDEN.filter((each) => each !== 'nothing')) {
  const chance = new Chance(7)
  const counts = Array.from({ length: Math.ceil(MACHINES / 5) }, () => {
    const machine = new SimulatedMachine(chance, hidden)
    const swatches = [machine.stitch(machine.start)]
    for (;;) {
      const next = WAYS['the adviser']!(machine, swatches)
      if (next === undefined) return swatches.length
      if (next === 'done' || swatches.length >= MOST) return Infinity
      swatches.push(machine.stitch(next))
    }
  })
  console.log(`${hidden.padEnd(22)} recognised within 3 swatches ${share(counts, 3)}   aim 95 %`)
}
console.log(`${((performance.now() - started) / 1000).toFixed(0)} s`)
