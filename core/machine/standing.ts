import { GROUP_WORDS } from '../knowledge/check/check'
import { needleWear, type WearAnswer } from '../wear/wear'
import type { NeedleSchool } from '../knowledge/needle/wear'
import type { Unsound } from '../kit/for-room'
import { counted, spaced } from '../units/words'
import type { Fitting, MachineState, OpenFault } from './state'

/** What the room has chosen about needles. */
export interface NeedleRules {
  readonly school: NeedleSchool
  readonly lifeHours: number
  readonly n: number
}

export type StandingWord = 'ready' | 'due' | 'stopped'

/** Whether somebody can sit down at it, and why not. */
export interface MachineStanding {
  readonly standing: StandingWord
  /** the most pressing first; empty when ready */
  readonly because: readonly string[]
  /** of these, what somebody wrote down as wrong with it and nobody has said the end of, in words */
  readonly faults: readonly string[]
  /** absent when no needle is known to be in it */
  readonly wear?: WearAnswer
}

/** Wear of the needle in the machine, counting the hours it brought with it as ordinary motor time. */
export function wearOfFitting(fitting: Fitting, rules: NeedleRules): WearAnswer {
  const before = fitting.needle.effectiveHours ?? 0
  const brought = before > 0 ? [{ load: 'ordinary' as const, motorMinutes: before * 60 }] : []
  return needleWear({ ...rules, projects: fitting.projects, uses: [...brought, ...fitting.uses] })
}

/** What of a machine's state may stop it. */
export type Stoppable = Pick<MachineState, 'locks'> & { readonly care: Pick<MachineState['care'], 'electricalTest'> }

/** A day is over everywhere so long after it begins at Greenwich: a book does not say where its venue stands. */
const DAY_OVER_MS = 36 * 3_600_000

/** Local rules say by which day a machine is tested; past that day nobody sews on it. */
function testOverdue({ care }: Stoppable, now: string): string | undefined {
  const day = care.electricalTest?.nextDue?.slice(0, 10)
  return day !== undefined && Date.parse(day) + DAY_OVER_MS < Date.parse(now)
    ? `Its electrical safety test was due by ${day}: not until it is tested`
    : undefined
}

/** Why nobody sews on it just now, the locks first; empty: they may. @param now ISO, UTC */
export function stopsOf(state: Stoppable, now: string): string[] {
  const overdue = testOverdue(state, now)
  return [...state.locks.map(({ because }) => because), ...(overdue ? [overdue] : [])]
}

/** A room check holds for one session: so long after its first sewing a new one is asked for. Source: common practice. */
const SESSION_MS = 12 * 3_600_000
/** And no longer than this where nobody sewed: screws work loose and hands turn dials at an idle machine, too. */
const IDLE_MS = 3 * 24 * 3_600_000

/** Why a room check comes first; undefined while the last one holds. @param now ISO, UTC */
export function roomCheckDue({ care }: MachineState, now: string): string | undefined {
  if (care.roomCheckAt === undefined) return 'Room check first: nobody has looked it over yet'
  const since = (moment: string) => Date.parse(now) - Date.parse(moment)
  if (care.usedSinceRoomCheckAt !== undefined && since(care.usedSinceRoomCheckAt) > SESSION_MS)
    return 'Room check first: it was used since the last one'
  if (since(care.roomCheckAt) > IDLE_MS)
    return `Room check first: the last one was ${counted(Math.floor(since(care.roomCheckAt) / (24 * 3_600_000)), 'day')} ago`
  return undefined
}

/**
 * Ready, due or stopped: a judgement on the folded state under the room's rules, never stored.
 * @param now ISO, UTC
 */
export function standingOf(state: MachineState, rules: NeedleRules, now: string): MachineStanding {
  const wear = state.fitting && wearOfFitting(state.fitting, rules)
  const faults = openFaults(state)
  const besides = { faults, ...(wear && { wear }) }
  const stops = stopsOf(state, now)
  if (stops.length > 0) return { standing: 'stopped', because: stops, ...besides }
  // What somebody has seen to be wrong goes before what is merely due.
  const due = [...faults]
  const check = roomCheckDue(state, now)
  if (!state.fitting) due.push('No needle is known to be in it')
  else if (state.fitting.needle.condition === 'unverified') due.push('Nobody knows how old its needle is')
  else if (wear?.verdict === 'change') due.push(`Needle: ${wear.because}`)
  if (state.failed.length > 0) due.push(`A check failed: ${state.failed.map((group) => GROUP_WORDS[group]).join(', ')}`)
  const open = state.stale.filter((group) => !state.failed.includes(group))
  const inRoom = state.failedSteps.filter(({ list }) => list === 'room').map(({ step }) => roomStepWords(step))
  if (inRoom.length > 0) due.push(`The room check found: ${inRoom.join(', ')}`)
  if (check) due.push(check)
  if (open.length > 0) due.push(`To check: ${open.map((group) => GROUP_WORDS[group]).join(', ')}`)
  return { standing: due.length > 0 ? 'due' : 'ready', because: due, ...besides }
}

/** What is said of a machine where there is room for one thing: why it is stopped, or all that is wrong with it, or what is most pressing. */
export const shortly = ({ standing, because, faults }: MachineStanding): string =>
  (standing !== 'stopped' && faults.length > 0 ? faults.join(' · ') : because[0]) ?? ''

/** What is wrong with it and stops nobody: an electrical one is told by its stop, with which it ends. */
export const faultsOf = ({ faults }: Pick<MachineState, 'faults'>): OpenFault[] =>
  faults.filter(({ fault }) => fault !== 'electrical')

/** The same, in words for staff: what somebody wrote of it is in them. */
export const openFaults = (state: Pick<MachineState, 'faults'>): string[] => [
  ...new Set(faultsOf(state).map(openFaultWords)),
]

/** What is wrong with a machine, for screens that anybody reads: in words of ours, never in those that somebody wrote. */
export interface FaultsShown {
  readonly words: readonly string[]
  /** when the newest of them was seen; ISO, UTC */
  readonly since: string
}

/** Absent: nothing is known to be wrong with it, or nothing but what stops it. */
export function faultsShown(state: Pick<MachineState, 'faults'>): FaultsShown | undefined {
  const open = faultsOf(state)
  if (open.length === 0) return undefined
  return {
    words: [...new Set(open.map(({ fault, technician }) => openFaultWords({ fault, technician })))],
    since: open.reduce((last, { since }) => (since > last ? since : last), ''),
  }
}

/** Said behind the name of such a machine. */
export const UNSOUND_WORDS: Readonly<Record<Unsound, string>> = {
  stopped: ', which is stopped',
  fault: ', which has a fault open',
}

/** Why a machine is offered after those that are sound; absent: nothing is known to be wrong with it. @param now ISO, UTC */
export function unsound(state: Stoppable & Pick<MachineState, 'faults'>, now: string): Unsound | undefined {
  if (stopsOf(state, now).length > 0) return 'stopped'
  return faultsOf(state).length > 0 ? 'fault' : undefined
}

export const openFaultWords = ({
  fault,
  seen,
  technician,
}: Pick<OpenFault, 'fault' | 'seen'> & { readonly technician?: string | undefined }): string =>
  `${technician ? `For a technician: ${technician}` : `Fault open: ${fault}`}${seen ? `, ${seen}` : ''}`

/** A step's own name is enough to find it again: "room-foot" → "foot". */
const roomStepWords = (step: string): string => spaced(step.replace(/^room-/, ''))
