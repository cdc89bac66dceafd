import { EVENT_KINDS, writersOf, type EventKind } from '../machine/event'
import { COORDINATOR, EVERYONE, STAFF, TEACHING, type Role } from '../room/role'
import { spaced } from '../units/words'
import { COMMAND_NAMES, COMMANDS, type CommandName } from './commands'

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

/** A command that somebody writes; a line is allowed by its kind. */
export type Deed = Exclude<CommandName, 'log'>
export type Sight = keyof typeof MAY_SEE
export type Action = `log:${EventKind}` | Deed | Sight

const isDeed = (name: CommandName): name is Deed => name !== 'log'
const ALLOWED = new Map<Action, readonly Role[]>([
  ...EVENT_KINDS.map((kind): [Action, readonly Role[]] => [`log:${kind}`, writersOf(kind)]),
  ...COMMAND_NAMES.filter(isDeed).map((name): [Action, readonly Role[]] => [name, COMMANDS[name].mayWrite]),
  ...(Object.entries(MAY_SEE) as [Sight, readonly Role[]][]),
])

/** What somebody may or may not do, as it is read: "log needle changed". */
export const actionWords = (action: Action): string => action.split(':').map(spaced).join(' ')

export const ACTIONS: readonly Action[] = [...ALLOWED.keys()]

/** Whether a role may do this at all; whose station it is, is for the command to check. */
export const may = (role: Role, action: Action): boolean => ALLOWED.get(action)?.includes(role) ?? false

/** What somebody must be allowed to do to write it: what it is called, and for a line the kind of line. */
export const permissionFor = (name: CommandName, body: unknown): Action =>
  name === 'log' ? `log:${(body as { readonly kind: EventKind }).kind}` : name
