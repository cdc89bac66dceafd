import { sql, type Kysely, type Transaction } from 'kysely'
import type { PastRun } from '@/core/fault/patterns'
import { eventBody } from '@/core/machine/event'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** Runs of the finder since a day, newest first; one that was corrected does not count. */
export async function readFaultRuns(store: Reader, siteId: string, since: Date): Promise<PastRun[]> {
  const rows = await store
    .selectFrom('machine_event as run')
    .leftJoin('project', (join) =>
      join
        .onRef('project.site_id', '=', 'run.site_id')
        .on(sql`project.project_id::text`, '=', sql`run.body->>'projectId'`),
    )
    .select(['run.machine_id', 'run.body', 'run.happened_at', 'project.fabric'])
    .where('run.site_id', '=', siteId)
    .where('run.kind', '=', 'fault-run')
    .where('run.happened_at', '>=', since)
    .where((build) =>
      build.not(
        build.exists(
          build
            .selectFrom('machine_event as later')
            .select('later.event_id')
            .whereRef('later.site_id', '=', 'run.site_id')
            .where('later.kind', '=', 'correction')
            .where(sql`later.body->>'corrects'`, '=', sql`run.event_id::text`),
        ),
      ),
    )
    .orderBy('run.happened_at', 'desc')
    .execute()
  return rows.map((row) => {
    const { symptom, outcome, cured } = check(eventBody('fault-run'), row.body)
    const cloth = (row.fabric as { structure?: string } | null)?.structure
    return {
      machineId: row.machine_id,
      symptom,
      outcome,
      happenedAt: row.happened_at.toISOString(),
      ...(cured && { cured }),
      ...(cloth !== undefined && { cloth }),
    }
  })
}
