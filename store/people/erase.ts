import { sql, type Transaction } from 'kysely'
import { namedIn, withFreeText } from '@/core/people/free-text'
import type { Database } from '../database'
import { changingWords, rebuildState } from '../machine/book'
import { ERASED_PROJECT, ERASED_WORDS } from './erased'

/** Rows that keep words in JSON, and rows that keep them as text, each with what else finds its row again. */
const JSON_WORDS = [
  ['help_call', 'found', ['call_id']],
  ['left_line', 'body', ['line_id']],
  ['kit_given', 'kit', ['kit_given_id']],
  ['session_plan', 'plan', ['plan_id']],
] as const
const TEXT_WORDS = [
  ['stock_move', 'because', ['move_id']],
  ['left_line', 'because', ['line_id']],
  ['session', 'called_off', ['session_id']],
  ['session', 'said_to_class', ['session_id']],
  ['machine', 'notes', ['machine_id']],
  ['project', 'name', ['project_id']],
  ['access_key', 'name', ['key_id']],
] as const

/**
 * Takes a person out of a venue: their name is gone everywhere, with what they wrote in their own words, their needs, their pairs
 * and their sign-ins; the lines that they wrote stay as lines of somebody. What others wrote loses their name only.
 */
export async function erasePerson(
  tx: Transaction<Database>,
  siteId: string,
  personId: string,
  now: Date,
): Promise<void> {
  const { name } = await tx
    .selectFrom('person')
    .select('name')
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .forUpdate()
    .executeTakeFirstOrThrow()
  await forgetSignIns(tx, siteId, personId)
  for (const table of ['person_need', 'invitation', 'pin', 'left_line'] as const)
    await tx.deleteFrom(table).where('site_id', '=', siteId).where('person_id', '=', personId).execute()
  await tx
    .deleteFrom('seat_pair')
    .where('site_id', '=', siteId)
    .where((pair) => pair.or([pair('one_id', '=', personId), pair('other_id', '=', personId)]))
    .execute()
  await tx
    .updateTable('project')
    .set({ name: ERASED_PROJECT })
    .where('site_id', '=', siteId)
    .where('enrolment_id', 'in', (own) =>
      own
        .selectFrom('enrolment')
        .select('enrolment_id')
        .where('site_id', '=', siteId)
        .where('person_id', '=', personId),
    )
    .execute()
  await tx
    .updateTable('person')
    .set({ name: 'somebody', erased_at: now, units: null })
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .execute()
  const without = namedIn(name)
  for (const [table, column, keys] of JSON_WORDS)
    await rewrite(tx, siteId, table, column, keys, name, (value) => withFreeText(value, without))
  for (const [table, column, keys] of TEXT_WORDS)
    await rewrite(tx, siteId, table, column, keys, name, (value) => without(value as string))
  await tx
    .updateTable('help_call')
    .set({ found: sql`found - 'what'` as never })
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .execute()
  await eraseFromBooks(tx, siteId, personId, name)
}

/** The sign-in, its sessions, its password, and the marks of wrong tries at its address. */
async function forgetSignIns(tx: Transaction<Database>, siteId: string, personId: string): Promise<void> {
  const users = await tx
    .selectFrom('membership')
    .innerJoin('sign_in_user', 'sign_in_user.id', 'membership.user_id')
    .select(['user_id', 'email'])
    .where('site_id', '=', siteId)
    .where('person_id', '=', personId)
    .execute()
  await tx.deleteFrom('membership').where('site_id', '=', siteId).where('person_id', '=', personId).execute()
  for (const { user_id, email } of users) {
    await tx.deleteFrom('sign_in_user').where('id', '=', user_id).execute()
    await sql`delete from sign_in_rate_limit where position(${email} in key) > 0`.execute(tx)
  }
}

async function rewrite(
  tx: Transaction<Database>,
  siteId: string,
  table: string,
  column: string,
  keys: readonly string[],
  name: string,
  change: (value: unknown) => unknown,
): Promise<void> {
  const id = sql.ref(keys[0]!)
  const of = sql.ref(column)
  const { rows } = await sql<{ id: string; value: unknown }>`
    select ${id} as id, ${of} as value from ${sql.table(table)}
    where site_id = ${siteId} and position(${name} in ${of}::text) > 0`.execute(tx)
  for (const { id: row, value } of rows) {
    const next = change(value)
    const written = typeof value === 'string' ? next : JSON.stringify(next)
    await sql`update ${sql.table(table)} set ${of} = ${written} where site_id = ${siteId} and ${id} = ${row}`.execute(
      tx,
    )
  }
}

async function eraseFromBooks(
  tx: Transaction<Database>,
  siteId: string,
  personId: string,
  name: string,
): Promise<void> {
  const without = namedIn(name)
  const lines = await tx
    .selectFrom('machine_event')
    .select(['machine_id', 'event_id', 'person_id', 'body'])
    .where('site_id', '=', siteId)
    .where((line) => line.or([line('person_id', '=', personId), sql<boolean>`position(${name} in body::text) > 0`]))
    .execute()
  const rewriteAll = async () => {
    for (const { event_id, person_id, body } of lines) {
      const next = withFreeText(body, person_id === personId ? () => ERASED_WORDS : without)
      if (JSON.stringify(next) === JSON.stringify(body)) continue
      await tx
        .updateTable('machine_event')
        .set({ body: JSON.stringify(next) })
        .where('site_id', '=', siteId)
        .where('event_id', '=', event_id)
        .execute()
    }
  }
  await changingWords(tx, rewriteAll)
  // What a machine's state keeps of those lines is folded anew.
  for (const machineId of new Set(lines.map(({ machine_id }) => machine_id))) await rebuildState(tx, siteId, machineId)
}
