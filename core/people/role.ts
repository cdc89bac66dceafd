import { EVENT_KINDS, type EventKind, type MachineEvent } from '../machine/event'

export const ROLES = ['coordinator', 'instructor', 'helper', 'learner'] as const
export type Role = (typeof ROLES)[number]
export const STAFF_ROLES = ['coordinator', 'instructor', 'helper'] as const satisfies readonly Role[]
export type StaffRole = (typeof STAFF_ROLES)[number]

const STAFF: readonly Role[] = STAFF_ROLES
const EVERYONE: readonly Role[] = ROLES
const TEACHING: readonly Role[] = ['coordinator', 'instructor']
const COORDINATOR: readonly Role[] = ['coordinator']

/** Who may write which line in a machine's book. A learner writes for the machine of their own seat only. */
const MAY_LOG: Readonly<Record<EventKind, readonly Role[]>> = {
  'needle-changed': STAFF,
  'needle-broke': STAFF,
  'pieces-found': STAFF,
  'set-up': STAFF,
  'check-run': EVERYONE,
  'swatch-stitched': EVERYONE,
  used: STAFF,
  'bobbin-wound': STAFF,
  'laid-out': STAFF,
  cleaned: STAFF,
  oiled: STAFF,
  'baseline-set': TEACHING,
  'found-off': STAFF,
  restored: STAFF,
  'trait-learnt': TEACHING,
  'fault-opened': EVERYONE,
  'fault-cured': STAFF,
  'fault-run': EVERYONE,
  // In counted eighths, and by somebody who answers for the room.
  'bobbin-screw-turned': COORDINATOR,
  serviced: TEACHING,
  'electrical-test': TEACHING,
  // Only after the case was opened and looked into.
  released: COORDINATOR,
  // Stopping a machine is always safe, so every member of staff may; letting it run again is for those who teach.
  'red-tagged': STAFF,
  'red-tag-lifted': TEACHING,
  noted: STAFF,
  // Further held to lines that the person could have written: see the command.
  correction: EVERYONE,
}

const MAY_DO = {
  'give-kit': TEACHING,
  'give-kits': TEACHING,
  'add-project': TEACHING,
  'add-projects': TEACHING,
  'change-project': TEACHING,
  'import-kits': TEACHING,
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
  'import-machines': TEACHING,
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
  'see-progress': TEACHING,
  'see-station': ['learner'],
} as const satisfies Readonly<Record<string, readonly Role[]>>

export type Deed = keyof typeof MAY_DO
export type Sight = keyof typeof MAY_SEE
export type Action = `log ${EventKind}` | Deed | Sight

const ALLOWED = new Map<Action, readonly Role[]>([
  ...EVENT_KINDS.map((kind): [Action, readonly Role[]] => [`log ${kind}`, MAY_LOG[kind]]),
  ...(Object.entries(MAY_DO) as [Deed, readonly Role[]][]),
  ...(Object.entries(MAY_SEE) as [Sight, readonly Role[]][]),
])

export const ACTIONS: readonly Action[] = [...ALLOWED.keys()]

/**
 * What a role must be allowed to do to take a line back: as a rule to write it. Taking back a red tag or an electrical
 * fault lets the machine run again, so it asks for as much as what lifts them; any other fault is taken back as it came.
 */
export function toCorrect(line: Pick<MachineEvent, 'kind' | 'body'>): Action {
  if (line.kind === 'red-tagged') return 'log red-tag-lifted'
  const electrical = line.kind === 'fault-opened' && 'fault' in line.body && line.body.fault === 'electrical'
  return electrical ? 'log serviced' : `log ${line.kind}`
}

/** Whether a role may do this at all; whose station it is, is for the command to check. */
export const may = (role: Role, action: Action): boolean => ALLOWED.get(action)?.includes(role) ?? false
