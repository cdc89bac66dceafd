import { EVENT_KINDS, writersOf, type EventKind } from '../machine/event'
import type { Lock, LockKind, MachineState } from '../machine/state'
import { COORDINATOR, EVERYONE, STAFF, TEACHING, type Role } from '../room/role'

const MAY_DO = {
  'call-staff': EVERYONE,
  'take-call-back': EVERYONE,
  'see-calls': STAFF,
  'go-to-call': STAFF,
  'end-call': STAFF,
  'give-kit': TEACHING,
  'give-kits': TEACHING,
  'take-kits-back': TEACHING,
  'add-project': TEACHING,
  'add-projects': TEACHING,
  'change-project': TEACHING,
  'import-kits': COORDINATOR,
  'log-drop-test': STAFF,
  'open-course': TEACHING,
  'add-machine': TEACHING,
  'place-machine': TEACHING,
  'place-instructor': TEACHING,
  'set-trait': TEACHING,
  'receive-stock': TEACHING,
  'count-stock': TEACHING,
  'take-stock': STAFF,
  'adjust-stock': TEACHING,
  'import-machines': COORDINATOR,
  'add-sessions': TEACHING,
  'change-session': TEACHING,
  'set-attendance': STAFF,
  'set-needs': TEACHING,
  'pair-people': TEACHING,
  'end-pair': TEACHING,
  'set-plan': TEACHING,
  'log-progress': EVERYONE,
  'sign-off': TEACHING,
  'make-key': COORDINATOR,
  'end-key': COORDINATOR,
  'add-person': COORDINATOR,
  'change-house-rules': COORDINATOR,
} as const satisfies Readonly<Record<string, readonly Role[]>>

/** Pages that staff see; a learner sees their own station and nothing else. */
const MAY_SEE = {
  'see-room': STAFF,
  'see-kits': STAFF,
  'see-book': STAFF,
  'see-stores': STAFF,
  'see-sessions': STAFF,
  'see-people': COORDINATOR,
  'see-rules': STAFF,
  'see-lab': EVERYONE,
  'see-first-aid': EVERYONE,
  'see-progress': TEACHING,
  'see-station': ['learner'],
} as const satisfies Readonly<Record<string, readonly Role[]>>

export type Deed = keyof typeof MAY_DO
export type Sight = keyof typeof MAY_SEE
export type Action = `log ${EventKind}` | Deed | Sight

const ALLOWED = new Map<Action, readonly Role[]>([
  ...EVENT_KINDS.map((kind): [Action, readonly Role[]] => [`log ${kind}`, writersOf(kind)]),
  ...(Object.entries(MAY_DO) as [Deed, readonly Role[]][]),
  ...(Object.entries(MAY_SEE) as [Sight, readonly Role[]][]),
])

export const ACTIONS: readonly Action[] = [...ALLOWED.keys()]

/** Who lets a stopped machine run again. Source: safety. */
const MAY_LIFT: Readonly<Record<LockKind, readonly Role[]>> = {
  'red-tag': TEACHING,
  // Whoever lays the pieces together on the table.
  'broken-needle': STAFF,
  // Only after a licensed repair.
  electrical: COORDINATOR,
  // By passing what failed.
  'failed-check': STAFF,
}

const LIFT_WORDS: Readonly<Record<LockKind, string>> = {
  'red-tag': 'take its red tag off',
  'broken-needle': 'say that every piece of the needle is found',
  electrical: 'end its electrical stop, after a licensed repair',
  'failed-check': 'let it run after that check',
}

export const mayLift = (role: Role, kind: LockKind): boolean => MAY_LIFT[kind].includes(role)

const anOr = (roles: readonly Role[]): string => {
  const who = roles.map((each) => (each === 'instructor' ? `an ${each}` : `a ${each}`))
  return who.length === 1 ? who[0]! : `${who.slice(0, -1).join(', ')} or ${who.at(-1)!}`
}

/** "Only a coordinator can …": for those who cannot. */
export const whoLifts = (kind: LockKind): string => `Only ${anOr(MAY_LIFT[kind])} can ${LIFT_WORDS[kind]}`

/** The locks that stood before and stand no more. */
export const locksGone = (before: Pick<MachineState, 'locks'>, after: Pick<MachineState, 'locks'>): Lock[] =>
  before.locks.filter(
    (lock) => !after.locks.some(({ kind, eventId }) => kind === lock.kind && eventId === lock.eventId),
  )

/**
 * The one law of locks: whatever a line is called, and whatever it corrects, a lock that it takes away is taken away by
 * somebody who may lift it.
 * @returns why this person may not write it, and who can; undefined when they may
 */
export function cannotLift(
  role: Role,
  before: Pick<MachineState, 'locks'>,
  after: Pick<MachineState, 'locks'>,
): string | undefined {
  const barred = locksGone(before, after).find(({ kind }) => !mayLift(role, kind))
  if (!barred) return undefined
  return `This machine is stopped (${barred.because}). ${whoLifts(barred.kind)}`
}

/** Whether a role may do this at all; whose station it is, is for the command to check. */
export const may = (role: Role, action: Action): boolean => ALLOWED.get(action)?.includes(role) ?? false
