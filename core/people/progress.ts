import * as Type from 'typebox'
import type { Static } from 'typebox'
import { TRAITS } from '../knowledge/machine/trait'
import { strict, words } from '../schema/shape'
import { ANSWERS, PASS, type Answered } from '../knowledge/tension/answer'
import { SKILLS, type Skill } from './skill'

const Whole = Type.Integer({ minimum: 0, maximum: 1000 })
const SignedOff = strict({
  skill: words(SKILLS),
  machineKind: TRAITS.drive,
  /** how many of the spoken questions were asked and answered well */
  answered: Type.Optional(Type.Integer({ minimum: 0, maximum: 20 })),
})

/** Every kind of line in a person's learning, and what its body holds. */
export const PERSON_EVENTS = {
  'exercise-done': strict({
    exercise: Type.String({ minLength: 1, maxLength: 60 }),
    right: Whole,
    of: Whole,
    /** what was shown and what it was taken for, in the order in which it was asked */
    answers: Type.Optional(Type.Array(strict({ shown: words(ANSWERS), said: words(ANSWERS) }), { maxItems: 60 })),
  }),
  'signed-off': SignedOff,
  'sign-off-withdrawn': strict({ skill: words(SKILLS), machineKind: TRAITS.drive }),
} as const
export type PersonEventKind = keyof typeof PERSON_EVENTS

/** One line about a person: who they are, who wrote it, and when. */
export type PersonEvent = {
  [Kind in PersonEventKind]: {
    readonly kind: Kind
    readonly body: Static<(typeof PERSON_EVENTS)[Kind]>
    readonly eventId: string
    readonly happenedAt: string
    readonly personId: string
    readonly writtenBy: string
  }
}[PersonEventKind]

export interface ExerciseProgress {
  readonly tries: number
  /** the best try so far, 0…1 */
  readonly best: number
  readonly lastAt: string
  /** days after which it is done once more; absent until it was done well */
  readonly everyDays?: number
  /** from when on that is */
  readonly againAt?: string
}

export interface SignOff {
  readonly skill: Skill
  readonly machineKind: Static<(typeof TRAITS)['drive']>
  readonly by: string
  readonly at: string
  readonly answered?: number
}

/** What somebody has done and may do: only ever folded from their events. */
export interface Progress {
  readonly exercises: Readonly<Record<string, ExerciseProgress>>
  /** the latest things they were shown, and what they took them for, the oldest first */
  readonly answers: readonly Answered[]
  readonly signOffs: readonly SignOff[]
}

const NOTHING: Progress = { exercises: {}, answers: [], signOffs: [] }
/** Answers from further back say little of what somebody can do now. */
const KEPT_ANSWERS = 80
const DAY_MS = 24 * 3_600_000
/** What was learnt is asked for again next week, then after longer and longer while it stays learnt. */
const AGAIN_DAYS = { first: 7, most: 56 }

const inOrder = (a: PersonEvent, b: PersonEvent): number =>
  a.happenedAt < b.happenedAt ? -1 : a.happenedAt > b.happenedAt ? 1 : a.eventId < b.eventId ? -1 : 1

/** The one place where somebody's progress comes from; the same for the same lines in whatever order they come. */
export function foldProgress(events: readonly PersonEvent[]): Progress {
  const each = [...new Map(events.map((event) => [event.eventId, event])).values()].sort(inOrder)
  return each.reduce((progress, event): Progress => {
    switch (event.kind) {
      case 'exercise-done': {
        const { exercise, right, of, answers = [] } = event.body
        const before = progress.exercises[exercise]
        const share = of > 0 ? right / of : 0
        return {
          ...progress,
          answers: [...progress.answers, ...answers].slice(-KEPT_ANSWERS),
          exercises: {
            ...progress.exercises,
            [exercise]: {
              tries: (before?.tries ?? 0) + 1,
              best: Math.max(before?.best ?? 0, share),
              lastAt: event.happenedAt,
              ...whenAgain(before, share, event.happenedAt),
            },
          },
        }
      }
      case 'signed-off': {
        const signOff = { ...event.body, by: event.writtenBy, at: event.happenedAt }
        return { ...progress, signOffs: [...withoutSignOff(progress, event.body), signOff] }
      }
      case 'sign-off-withdrawn':
        return { ...progress, signOffs: withoutSignOff(progress, event.body) }
    }
  }, NOTHING)
}

/** When an exercise is done once more after a try. Practising before its time neither lengthens nor shortens the wait. */
function whenAgain(
  before: ExerciseProgress | undefined,
  share: number,
  at: string,
): Pick<ExerciseProgress, 'everyDays' | 'againAt'> {
  const waits = (days: number) => ({
    everyDays: days,
    againAt: new Date(Date.parse(at) + days * DAY_MS).toISOString(),
  })
  if (!before?.everyDays || !before.againAt) return share >= PASS ? waits(AGAIN_DAYS.first) : {}
  const { everyDays, againAt } = before
  if (share < PASS) return at < againAt ? { everyDays, againAt } : { everyDays: AGAIN_DAYS.first, againAt: at }
  return at < againAt ? { everyDays, againAt } : waits(Math.min(AGAIN_DAYS.most, everyDays * 2))
}

const withoutSignOff = (
  { signOffs }: Progress,
  { skill, machineKind }: Pick<SignOff, 'skill' | 'machineKind'>,
): SignOff[] => signOffs.filter((each) => each.skill !== skill || each.machineKind !== machineKind)

/**
 * Whether a learner turns the dial themselves: where the room lets learners, those who were seen to do it on such a machine.
 * Everybody else calls a mentor.
 */
export const dialSchool = (
  room: 'hands-on' | 'hands-off',
  progress: Progress | undefined,
  machineKind: string | undefined,
): 'hands-on' | 'hands-off' =>
  room === 'hands-on' && progress?.signOffs.some((each) => each.skill === 'tension' && each.machineKind === machineKind)
    ? 'hands-on'
    : 'hands-off'
