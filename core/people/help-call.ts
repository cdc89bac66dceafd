import * as Type from 'typebox'
import type { Static } from 'typebox'
import { CHECKS, FAULT_CHECKS } from '../knowledge/fault/fault-check'
import type { MachineEvent } from '../machine/event'
import { saidIn } from '../machine/said'
import { SYMPTOMS, SYMPTOM_WORDS } from '../knowledge/fault/symptom'
import { strict, words } from '../schema/shape'
import type { LockKind, MachineState } from '../machine/state'
import type { Role } from '../room/role'
import { callsSomebody } from './calling'
import { locksGone } from './lifting'

/** What the finder had asked by the time somebody called. */
export const CallFoundSchema = strict({
  symptom: Type.Optional(words(SYMPTOMS)),
  answers: Type.Optional(Type.Array(strict({ check: words(FAULT_CHECKS), found: Type.Boolean() }), { maxItems: 60 })),
  what: Type.Optional(Type.String({ minLength: 1, maxLength: 500 })),
})
export type CallFound = Static<typeof CallFoundSchema>

/**
 * How a call ends: somebody has been there; whoever called needs nobody any more; a newer call, or a visit, stands in its place; or
 * nobody ended it on its day.
 */
export const CALL_ENDS = ['done', 'taken-back', 'anew', 'lapsed'] as const
export type CallEnd = (typeof CALL_ENDS)[number]

/** A call for somebody to come, and how it went on. Moments are UTC, ISO 8601. */
export interface HelpCall {
  readonly callId: string
  /** the machine at which they sit; absent: they have none just now */
  readonly machineId?: string
  readonly machine?: string
  readonly number?: number
  readonly personId: string
  readonly who: string
  /** visit: nobody called; staff go to them unasked */
  readonly about: 'help' | 'hurt' | 'visit'
  readonly found: CallFound
  readonly calledAt: string
  /** when a screen of staff first showed it */
  readonly seen?: { readonly at: string; readonly by: string }
  readonly going?: { readonly at: string; readonly by: string; readonly personId: string }
  readonly ended?: { readonly at: string; readonly how: CallEnd }
}

/** What staff read before they walk over: what was seen, and what was looked at already. */
export function foundWords({ symptom, answers = [], what }: CallFound): string {
  const looked = answers.map(
    ({ check, found }) => `${CHECKS[check].title.toLowerCase()}: ${found ? 'that was it' : 'not that'}`,
  )
  return [what, symptom && SYMPTOM_WORDS[symptom], looked.length > 0 && `looked at: ${looked.join('; ')}`]
    .filter(Boolean)
    .join(' · ')
}

/** The call that a line raises. Undefined: nobody is called. */
export function callRaisedBy(line: MachineEvent): Pick<HelpCall, 'about' | 'found'> | undefined {
  const said = saidIn(line)
  if (!said || !callsSomebody(said)) return undefined
  if (said.kind === 'somebody-hurt')
    return { about: 'hurt', found: { ...(said.body.what && { what: said.body.what }) } }
  if (said.kind !== 'fault-run') return undefined
  return { about: 'help', found: { symptom: said.body.symptom, answers: said.body.answers } }
}

/** What somebody waits at who may not let the machine run again. No words of the line: whoever comes reads them at the machine. */
const STOPPED: Readonly<Record<LockKind, CallFound>> = {
  'red-tag': { what: 'The machine is stopped' },
  'broken-needle': { symptom: 'needle-breaks' },
  electrical: { symptom: 'electrical' },
  'failed-check': { what: 'The check found what nobody may sew with' },
}

/** So long somebody may still stand at a machine that stopped under them, ms: a line that comes later calls nobody. */
export const STILL_THERE_MS = 30 * 60_000

type Locks = Pick<MachineState, 'locks'>

/**
 * The call that follows from what a line stops: a learner lets no machine run again, and waits for somebody who may, whether they
 * thought of calling or not. Undefined: it stops nothing, or staff wrote it, or whoever did is gone by now.
 * @param now ms
 */
export function callForStop(
  role: Role,
  { happenedAt }: Pick<MachineEvent, 'happenedAt'>,
  { before, after }: { readonly before: Locks; readonly after: Locks },
  now: number,
): Pick<HelpCall, 'about' | 'found'> | undefined {
  if (role !== 'learner' || now - Date.parse(happenedAt) > STILL_THERE_MS) return undefined
  // What stands after it and did not before.
  const [locked] = locksGone(after, before)
  return locked && { about: 'help', found: STOPPED[locked.kind] }
}
