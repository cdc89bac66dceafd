import { sql, type Kysely, type Transaction } from 'kysely'
import { stopsOf, type Stoppable } from '@/core/machine/standing'
import type { Database } from '../database'

/** The machines of a venue on which nobody sews just now: their names by their ids. */
export async function readStopped(
  store: Kysely<Database> | Transaction<Database>,
  siteId: string,
  now: Date,
): Promise<ReadonlyMap<string, string>> {
  const rows = await store
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .select(['machine.machine_id', 'name'])
    .select(sql<Stoppable['locks']>`state->'locks'`.as('locks'))
    .select(sql<Stoppable['care']['electricalTest'] | null>`state->'care'->'electricalTest'`.as('electricalTest'))
    .where('machine.site_id', '=', siteId)
    .orderBy('machine.machine_id')
    .execute()
  return new Map(
    rows
      .filter(({ locks, electricalTest }) => {
        const care = electricalTest ? { electricalTest } : {}
        return stopsOf({ locks, care }, now.toISOString()).length > 0
      })
      .map(({ machine_id, name }) => [machine_id, name]),
  )
}
