import type { Transaction } from 'kysely'
import type { Static, TSchema } from 'typebox'
import type { Action } from '@/core/people/role'
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

/** Ties the body's type to its schema; bodies reach `action` and `run` only after the schema has passed them. */
export const command = <Schema extends TSchema>(
  schema: Schema,
  action: (body: Static<Schema>) => Action,
  run: (call: CommandCall, body: Static<Schema>) => Promise<void>,
): Command => ({
  schema,
  action: (body) => action(body as Static<Schema>),
  run: (call, body) => run(call, body as Static<Schema>),
})
