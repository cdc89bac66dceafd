import { ownTasks, type BenchTask } from '../care/before-class'
import type { MachineStanding } from '../machine/standing'

/** A machine on a walk through the room. */
export type Walked = Pick<MachineStanding, 'standing' | 'faults'> & {
  readonly name: string
  readonly tasks: readonly BenchTask[]
}

/** Whether a machine stands as whoever sits down at it needs it, whatever is left to do there. */
export const soundAt = ({ standing, faults }: Pick<Walked, 'standing' | 'faults'>): boolean =>
  standing !== 'stopped' && faults.length === 0

/** Whether whoever walks through the room has anything to see to there. */
export const wantsLooking = (stop: Walked): boolean => stop.tasks.length > 0 || !soundAt(stop)

/** How many things the room has still to do itself on a walk. */
export const leftToDo = (walk: readonly Pick<Walked, 'tasks'>[]): number =>
  walk.reduce((sum, { tasks }) => sum + ownTasks(tasks).length, 0)

/**
 * What is said of a walk on which nothing is left to do: all is well only where no machine is stopped and no fault of one is open.
 * @param whose "tonight", "this session"
 * @returns undefined while something is left to do
 */
export function walkDone(walk: readonly Walked[], whose: string): string | undefined {
  if (leftToDo(walk) > 0) return undefined
  const unsound = walk.filter((stop) => !soundAt(stop)).map(({ name }) => name)
  return unsound.length === 0
    ? `Nothing to do: every machine stands as ${whose} needs it.`
    : `Nothing is left to set up. Before anybody sews at ${unsound.join(', ')}, read what stands there.`
}
