import * as Type from 'typebox'
import type { Static } from 'typebox'
import { CHECKS, FAULT_CHECKS } from '../../knowledge/fault/fault-check'
import { SYMPTOM_WORDS, SYMPTOMS, type Symptom } from '../../knowledge/fault/symptom'
import { EVERYONE } from '../../room/role'
import { strict, words } from '../../schema/shape'
import { broken, needleOut } from '../changes'
import type { MachineState } from '../state'
import { kind, ProjectId, type Moment } from './kind'

/** How a run of the finder ends. */
export const FAULT_OUTCOMES = ['cured', 'handed-on', 'red-tag', 'service', 'left'] as const
export type FaultOutcome = (typeof FAULT_OUTCOMES)[number]

const OUTCOME_WORDS: Readonly<Record<FaultOutcome, string>> = {
  cured: 'cured',
  'handed-on': 'handed to staff',
  'red-tag': 'red-tagged',
  service: 'for a technician',
  left: 'left as it is',
}

const Body = strict({
  symptom: words(SYMPTOMS),
  answers: Type.Array(strict({ check: words(FAULT_CHECKS), found: Type.Boolean() }), { maxItems: 60 }),
  outcome: words(FAULT_OUTCOMES),
  /** the check whose remedy cured it */
  cured: Type.Optional(words(FAULT_CHECKS)),
  projectId: ProjectId,
})

/** A run of the finder about a break speaks of the last one so far back; without one it is itself the report. */
const SAME_BREAK_MS = 12 * 3_600_000

/** Whether a run of the finder is the first word of a break. @param brokeAt when a needle last broke there, ISO */
export const reportsBreak = (
  { symptom }: Pick<Static<typeof Body>, 'symptom'>,
  { happenedAt }: Pick<Moment, 'happenedAt'>,
  brokeAt: string | undefined,
): boolean =>
  symptom === 'needle-breaks' && (brokeAt === undefined || Date.parse(happenedAt) - Date.parse(brokeAt) > SAME_BREAK_MS)

/** It waits for a technician, once for each thing that was seen, until somebody writes that one was there. */
function forTechnician(state: MachineState, symptom: Symptom, { happenedAt, eventId }: Moment): MachineState {
  const technician = SYMPTOM_WORDS[symptom]
  if (state.faults.some((open) => open.technician === technician)) return state
  return { ...state, faults: [...state.faults, { fault: 'other', technician, since: happenedAt, eventId }] }
}

/** One run of the finder: what was seen, what was looked at, and how it ended. */
export const faultRun = kind({
  body: Body,
  filter: 'trouble',
  mayWrite: EVERYONE,
  fold: (state, body, line) => {
    // What failed is cured; the check is still to be run again, since it stays stale. What stops the machine stays.
    const looked =
      body.outcome === 'cured'
        ? { ...state, failed: [], failedSteps: [] }
        : body.outcome === 'service'
          ? forTechnician(state, body.symptom, line)
          : state
    if (!reportsBreak(body, line, state.brokeAt)) return looked
    return broken(needleOut(looked, line.happenedAt, { broke: true }), line, {})
  },
  words: ({ symptom, answers, outcome, cured }) => {
    const looked =
      answers.length === 0
        ? 'Nothing looked at.'
        : answers.length === 1
          ? 'One thing looked at.'
          : `${answers.length} things looked at.`
    return {
      title: `${SYMPTOM_WORDS[symptom]}: ${OUTCOME_WORDS[outcome]}`,
      detail: cured ? `${CHECKS[cured].remedy} ${looked}` : looked,
    }
  },
})
