import type { Static } from 'typebox'
import type { Sent } from '../schema/sent'
import { CALLS } from './commands/calls'
import { CLASSES } from './commands/classes'
import { LINES } from './commands/lines'
import { MACHINES } from './commands/machines'
import { PEOPLE } from './commands/people'
import { PUTTING_AWAY } from './commands/putting-away'
import { SESSIONS } from './commands/sessions'
import type { Commands } from './commands/shape'
import { STORES } from './commands/stores'

/**
 * Everything that can be written, by the name it has on the wire, with the one schema of its body and who may send it: screens are
 * held to it when they are compiled, the server when it is sent. What each does stands in the store.
 */
export const COMMANDS = {
  ...LINES,
  ...CALLS,
  ...CLASSES,
  ...MACHINES,
  ...STORES,
  ...SESSIONS,
  ...PEOPLE,
  ...PUTTING_AWAY,
} as const satisfies Commands

export type CommandName = keyof typeof COMMANDS
export const COMMAND_NAMES = Object.keys(COMMANDS) as CommandName[]
/** The body of a command as the server has it, once its schema has passed it. */
export type CommandBody<Name extends CommandName> = Static<(typeof COMMANDS)[Name]['body']>

/** The same as a screen sends it. A file is whatever somebody chose: the schema tells them what is wrong with it. */
export type CommandSent<Name extends CommandName> = Name extends 'import-kits' | 'import-machines'
  ? { readonly file: unknown }
  : Sent<CommandBody<Name>>
