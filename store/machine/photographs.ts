import type { Kysely } from 'kysely'
import type { Database } from '../database'

/** When the photograph that is kept of a machine came in; undefined: there is none. */
export async function photographedAt(
  store: Kysely<Database>,
  siteId: string,
  machineId: string,
): Promise<Date | undefined> {
  const row = await store
    .selectFrom('machine_photograph')
    .select('taken_at')
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .executeTakeFirst()
  return row?.taken_at
}

/** The photograph itself, as a data address. */
export async function readPhotographOf(
  store: Kysely<Database>,
  siteId: string,
  machineId: string,
): Promise<string | undefined> {
  const row = await store
    .selectFrom('machine_photograph')
    .select('picture')
    .where('site_id', '=', siteId)
    .where('machine_id', '=', machineId)
    .executeTakeFirst()
  return row?.picture
}
