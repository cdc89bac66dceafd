import type { PlanKit, PlanMachine, PlanQuestion, PlanStudent } from '../session/plan-question'

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
