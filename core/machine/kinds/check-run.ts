import * as Type from 'typebox'
import type { Static } from 'typebox'
import { CHECK_GROUPS, GROUP_WORDS } from '../../knowledge/check/check'
import { EVERYONE } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { counted } from '../../units/words'
import { locked, minus, union } from '../changes'
import { ifFailed } from '../failed-step'
import type { CareCounts, MachineState } from '../state'
import { kind, ProjectId, type Moment } from './kind'

const Step = strict({
  step: Type.String({ minLength: 1, maxLength: 80 }),
  group: words(CHECK_GROUPS),
  result: words(['pass', 'fail', 'not-applicable'] as const),
})
const Body = strict({
  list: words(['seat', 'room'] as const),
  steps: Type.Array(Step, { minItems: 1, maxItems: 60 }),
  projectId: ProjectId,
})
type CheckList = Static<typeof Body>['list']

const LIST_WORDS: Readonly<Record<CheckList, string>> = { seat: 'Seat check', room: 'Room check' }

export const checkRun = kind({
  body: Body,
  filter: 'checks',
  mayWrite: EVERYONE,
  /**
   * What passed holds again. A step that fails and must not be sewn on stops the machine until it passes; the room check says
   * nothing of how a learner's machine is threaded, so it leaves those steps as they were.
   */
  fold: (before, { list, steps }, line) => {
    const failing = steps.filter(({ result }) => result === 'fail')
    const asked = new Set(steps.map(({ step }) => step))
    const passing = new Set(steps.filter(({ result }) => result === 'pass').map(({ step }) => step))
    const state: MachineState = {
      ...before,
      failedSteps: [
        ...before.failedSteps.filter((each) => each.list !== list || !asked.has(each.step)),
        ...failing.map(({ step, group }) => ({ step, group, list })),
      ],
      locks: before.locks.filter(
        (lock) => lock.kind !== 'failed-check' || !(lock.steps ?? []).every((step) => passing.has(step)),
      ),
    }
    const stopped = stoppedBy(state, line, list, failing)
    if (list === 'room') return stopped
    const failed = new Set(failing.map(({ group }) => group))
    const passed = [...new Set(steps.map(({ group }) => group))].filter((group) => !failed.has(group))
    return {
      ...stopped,
      lastCheckAt: line.happenedAt,
      stale: union(minus(state.stale, passed), [...failed]),
      failed: union(minus(state.failed, passed), [...failed]),
    }
  },
  care: (counts, { list }, { happenedAt }) => (list === 'room' ? roomChecked(counts, happenedAt) : counts),
  words: ({ list, steps }) => {
    const failed = steps.filter(({ result }) => result === 'fail')
    const groups = [...new Set(failed.map(({ group }) => GROUP_WORDS[group]))].join(', ')
    return failed.length > 0
      ? { title: `${LIST_WORDS[list]}: not yet`, detail: `Failed: ${groups}.` }
      : { title: `${LIST_WORDS[list]} passed`, detail: `${counted(steps.length, 'step')}.` }
  },
})

function stoppedBy(
  state: MachineState,
  { eventId, happenedAt }: Moment,
  list: CheckList,
  failing: readonly Static<typeof Step>[],
): MachineState {
  const stopping = failing.map((step) => ({ step: step.step, ...ifFailed(step) }))
  const electrical = stopping.filter(({ stops }) => stops === 'electrical')
  const dangerous = stopping.filter(({ stops }) => stops === 'do-not-sew')
  const since = { since: happenedAt, eventId }
  const because = (said: typeof stopping) =>
    `${LIST_WORDS[list]}: ${said.map(({ stopsBecause }) => stopsBecause).join('; ')}`
  return [
    ...(electrical.length > 0 ? [{ kind: 'electrical' as const, because: because(electrical), ...since }] : []),
    ...(dangerous.length > 0
      ? [
          {
            kind: 'failed-check' as const,
            because: because(dangerous),
            ...since,
            list,
            steps: dangerous.map((s) => s.step),
          },
        ]
      : []),
  ].reduce(locked, state)
}

function roomChecked({ usedSinceRoomCheckAt: _, ...counts }: CareCounts, roomCheckAt: string): CareCounts {
  return { ...counts, daysSinceRoomCheck: 0, roomCheckAt }
}
