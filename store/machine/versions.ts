import { sql, type Kysely, type Transaction } from 'kysely'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/**
 * A text for each machine, by its id, which changes whenever its page or its place on the plan does: its name and table, its book,
 * and whose bag was given there last. In one reading, however many watch.
 */
export async function readMachineVersions(
  store: Reader,
  siteId: string,
  machineId?: string,
): Promise<ReadonlyMap<string, string>> {
  const rows = await store
    .selectFrom('machine')
    .innerJoin('machine_state', (join) =>
      join
        .onRef('machine_state.site_id', '=', 'machine.site_id')
        .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
    )
    .leftJoinLateral(
      (lateral) =>
        lateral
          .selectFrom('kit_given')
          .select((of) => of.fn.max('landed').as('last'))
          .whereRef('kit_given.site_id', '=', 'machine.site_id')
          .whereRef('kit_given.machine_id', '=', 'machine.machine_id')
          .where('kit_given.taken_back_at', 'is', null)
          .as('given'),
      (join) => join.onTrue(),
    )
    .select('machine.machine_id')
    // Each write of a row gives it another version.
    .select(
      sql<string>`machine.xmin::text || ' ' || machine_state.xmin::text || machine_state.ctid::text
        || ' ' || coalesce(given.last, 0)`.as('version'),
    )
    .where('machine.site_id', '=', siteId)
    .$if(machineId !== undefined, (query) => query.where('machine.machine_id', '=', machineId!))
    .orderBy('machine.machine_id')
    .execute()
  return new Map(rows.map((row) => [row.machine_id, row.version]))
}
