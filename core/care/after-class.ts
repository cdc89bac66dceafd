import type { MachineState } from '../machine/state'
import type { Traits } from '../knowledge/machine/trait'
import { beforeClass, type BenchTask } from './before-class'

/**
 * What is still to be done at a machine when a class has gone, before the lights go out: what tomorrow would find wrong. Its needle
 * where it is due or of unknown age, its settings off the baseline, and a cleaning that is overdue.
 * @param now ISO, UTC
 */
export function afterClass(
  machine: { readonly traits: Traits; readonly state: MachineState },
  rules: Parameters<typeof beforeClass>[2],
  now: string,
): BenchTask[] {
  return beforeClass(machine, undefined, rules, now).filter(({ id }) => TONIGHT.includes(id))
}

const TONIGHT: readonly string[] = ['restore', 'needle', 'clean']

/** A machine whose last test swatch says nothing of what is in it now. */
export const swatchUnread = ({ stale, fitting }: Pick<MachineState, 'stale' | 'fitting'>): boolean =>
  fitting !== undefined && (stale.includes('swatch') || stale.includes('line'))
