import type { TSchema } from 'typebox'
import { COMMAND_NAMES, COMMANDS, type CommandName, type CommandSent } from './commands'
import { ENTRIES, type EntryBody, type EntryName } from './entries'

/** What a form sends: a command, or what somebody says at the door. */
export type FormName = CommandName | EntryName
export type FormBody<Name extends FormName> = Name extends CommandName
  ? CommandSent<Name>
  : Name extends EntryName
    ? EntryBody<Name>
    : never

const isEntry = (name: FormName): name is EntryName => Object.hasOwn(ENTRIES, name)

export const FORM_NAMES: readonly FormName[] = [...COMMAND_NAMES, ...(Object.keys(ENTRIES) as EntryName[])]
/** The one schema of what a form sends. */
export const formBody = (name: FormName): TSchema => (isEntry(name) ? ENTRIES[name] : COMMANDS[name].body)
