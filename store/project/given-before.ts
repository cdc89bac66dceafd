import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** How often each person was given a kit for each machine, by `person machine`; those taken back do not count. */
export async function readGivenBefore(store: Reader, siteId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await store
    .selectFrom('kit_given')
    .innerJoin('project', (join) =>
      join.onRef('project.site_id', '=', 'kit_given.site_id').onRef('project.project_id', '=', 'kit_given.project_id'),
    )
    .innerJoin('enrolment', (join) =>
      join
        .onRef('enrolment.site_id', '=', 'project.site_id')
        .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
    )
    .select(['enrolment.person_id', 'kit_given.machine_id', (of) => of.fn.countAll<string>().as('times')])
    .where('kit_given.site_id', '=', siteId)
    .where('taken_back_at', 'is', null)
    .groupBy(['enrolment.person_id', 'kit_given.machine_id'])
    .execute()
  return new Map(rows.map((row) => [`${row.person_id} ${row.machine_id}`, Number(row.times)]))
}
