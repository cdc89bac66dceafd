import type { Lock, LockKind, MachineState } from '../machine/state'
import { COORDINATOR, STAFF, TEACHING, type Role } from '../room/role'

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
