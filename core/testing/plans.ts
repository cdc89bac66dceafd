import fc from 'fast-check'
import { changeover } from '../session/changeover'
import { PLAN_COSTS, type PlanHolds, type PlanKit, type PlanMachine, type PlanQuestion } from '../session/plan-question'
import type { PlanStudent } from '../planner/problem'

const FEET = ['standard', 'walking', 'zip']

/** A class and a room of unequal machines, drawn by chance (0 ≤ x < 1). */
export function randomPlan(
  chance: () => number,
  size: { readonly students: number; readonly machines: number; readonly blocks: number; readonly kits: number },
): PlanQuestion {
  const pick = <Thing>(things: readonly Thing[]): Thing => things[Math.floor(chance() * things.length)]!
  const kits = Array.from({ length: size.kits }, (_, index): PlanKit => ({
    id: `kit${index}`,
    needle: pick(['ballpoint-80', 'universal-80', 'jeans-100', 'leather-90', 'microtex-70']),
    thread: pick(['navy-27', 'white-27', 'rust-40']),
    foot: pick(FEET),
  }))
  const machines = Array.from({ length: size.machines }, (_, index): PlanMachine => {
    const before = pick(kits)
    return {
      id: `machine${index}`,
      can: kits.filter(() => chance() < 0.75).map(({ id }) => id),
      holds: chance() < 0.15 ? { needle: null, thread: null, foot: null } : { ...before },
    }
  })
  const students = Array.from({ length: size.students }, (_, index): PlanStudent => ({
    id: `student${index}`,
    kit: pick(kits).id,
    ...(chance() < 0.05 && { fixed: { block: 1 + Math.floor(chance() * size.blocks) } }),
  }))
  return {
    blocks: size.blocks,
    machines: machines.map((machine) => {
      const { needle, thread, foot } = machine.holds
      return { ...machine, holds: { needle, thread, foot } }
    }),
    kits,
    students,
  }
}

/**
 * Draws spread evenly over 0 ≤ x < 1, begun anew when they run out. Doubles as fast-check draws them crowd at 0, and a class
 * made of those would be the same one again and again.
 */
export const anyChance: fc.Arbitrary<() => number> = fc
  .array(fc.noBias(fc.integer({ min: 0, max: 9_999 })), { minLength: 60, maxLength: 60 })
  .map((draws) => {
    let index = 0
    return () => draws[index++ % draws.length]! / 10_000
  })

type Size = Parameters<typeof randomPlan>[1]

/** Classes and rooms of sizes from `least` to `most`. */
export const anyPlan = (most: Size, least: Size = { students: 1, machines: 1, blocks: 1, kits: 1 }) =>
  fc
    .record({
      chance: anyChance,
      students: fc.integer({ min: least.students, max: most.students }),
      machines: fc.integer({ min: least.machines, max: most.machines }),
      blocks: fc.integer({ min: least.blocks, max: most.blocks }),
      kits: fc.integer({ min: least.kits, max: most.kits }),
    })
    .map(({ chance, ...size }): PlanQuestion => randomPlan(chance, size))

/** The least of all plans, by trying every one: learner by learner, at every free place or at none. */
export function everyPlan({ blocks, machines, kits, students }: PlanQuestion): { seats: number; minutes: number } {
  const kitOf = new Map(kits.map((kit) => [kit.id, kit]))
  const rows = machines.map(() => new Array<string | undefined>(blocks).fill(undefined))
  let best = { seats: -1, minutes: Infinity }
  const minutes = () =>
    machines.reduce((sum, { holds }, index) => {
      let from: PlanHolds = holds
      for (const kit of rows[index]!) {
        if (!kit) continue
        sum += changeover(from, kitOf.get(kit)!, PLAN_COSTS).minutes
        from = kitOf.get(kit)!
      }
      return sum
    }, 0)
  const seat = (who: number, seated: number): void => {
    if (seated + students.length - who < best.seats) return
    if (who === students.length) {
      const cost = minutes()
      if (seated > best.seats || cost < best.minutes) best = { seats: seated, minutes: cost }
      return
    }
    const { kit, fixed } = students[who]!
    machines.forEach(({ id, can }, machine) => {
      if (!can.includes(kit) || (fixed?.machine !== undefined && fixed.machine !== id)) return
      for (let block = 0; block < blocks; block += 1) {
        if (rows[machine]![block] !== undefined || (fixed?.block !== undefined && fixed.block !== block + 1)) continue
        rows[machine]![block] = kit
        seat(who + 1, seated + 1)
        rows[machine]![block] = undefined
      }
    })
    seat(who + 1, seated)
  }
  seat(0, 0)
  return best
}
