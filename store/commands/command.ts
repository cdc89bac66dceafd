import type { Transaction } from 'kysely'
import type { TSchema } from 'typebox'
import { COMMANDS, type CommandBody, type CommandName } from '@/core/wire/commands'
import { permissionFor, type Action } from '@/core/wire/permission'
import type { Actor } from '../actor'
import type { Database } from '../database'

/** What a command is told besides its body. */
export interface CommandCall {
  readonly tx: Transaction<Database>
  readonly actor: Actor
  /** made by the client; also the id of the line that a `log` writes */
  readonly commandId: string
  readonly now: Date
}

/** One thing a person can do: its body's schema, the permission it needs, and its one transaction. */
export interface Command {
  readonly schema: TSchema
  readonly action: (body: unknown) => Action
  readonly run: (call: CommandCall, body: unknown) => Promise<void>
}

/** What a command of that name does; bodies reach it only after their schema has passed them. */
export const command = <Name extends CommandName>(
  name: Name,
  run: (call: CommandCall, body: CommandBody<Name>) => Promise<void>,
): Command => ({
  schema: COMMANDS[name].body,
  action: (body) => permissionFor(name, body),
  run: (call, body) => run(call, body as CommandBody<Name>),
})
