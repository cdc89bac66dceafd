import { PASS } from '../knowledge/tension/answer'
import { DRILLS, type Drill } from '../knowledge/tension/drill'
import type { TaskKind } from './task'

/** What somebody can do in the trainer. */
export type Exercise =
  | { readonly id: string; readonly title: string; readonly does: 'drill'; readonly drill: Drill }
  | {
      readonly id: TaskKind
      readonly title: string
      readonly does: 'tasks'
      readonly kind: TaskKind
      /** how many make the exercise */
      readonly count: number
      readonly ask: string
    }
  | { readonly id: 'swatches'; readonly title: string; readonly does: 'swatches' }

/** All of them, in the order in which they build on each other: what the hands have to know, then the eye, then both. */
export const EXERCISES: readonly Exercise[] = [
  ...DRILLS.map((drill): Exercise => ({ id: drill.id, title: drill.title, does: 'drill', drill })),
  {
    id: 'looser',
    title: 'Which is looser?',
    does: 'tasks',
    kind: 'looser',
    count: 5,
    ask: 'In which one does the top thread pull less?',
  },
  { id: 'read', title: 'What does it show?', does: 'tasks', kind: 'read', count: 6, ask: 'What does it show?' },
  {
    id: 'between',
    title: 'Before and after',
    does: 'tasks',
    kind: 'between',
    count: 5,
    ask: 'What was done between the two?',
  },
  {
    id: 'sort',
    title: 'Sort five by tension',
    does: 'tasks',
    kind: 'sort',
    count: 2,
    ask: 'Put them in order, the loosest top thread first.',
  },
  { id: 'swatches', title: 'Swatches: see, read, put right', does: 'swatches' },
]

interface Tried {
  readonly best: number
  /** when it should be done once more */
  readonly againAt?: string | undefined
}

/** How an exercise stands with somebody: done, and whether it is time to do it once more. */
export const isPassed = (tried: Pick<Tried, 'best'> | undefined): boolean => (tried?.best ?? 0) >= PASS
export const isDueAgain = (tried: Tried | undefined, now: string): boolean =>
  isPassed(tried) && tried?.againAt !== undefined && tried.againAt <= now

/** Whether somebody has done every exercise there is. */
export const passedAll = (tried: Readonly<Record<string, Pick<Tried, 'best'>>>): boolean =>
  EXERCISES.every(({ id }) => isPassed(tried[id]))

/** What comes next: what is due once more first, while it can still be saved from being forgotten; then the first not yet done. */
export const nextExercise = (tried: Readonly<Record<string, Tried>>, now: string): Exercise | undefined =>
  EXERCISES.find(({ id }) => isDueAgain(tried[id], now)) ?? EXERCISES.find(({ id }) => !isPassed(tried[id]))
