import type { Kysely, Transaction } from 'kysely'
import type { PastRun } from '@/core/fault/patterns'
import type { Database } from '../database'
import { readStanding } from '../machine/standing-lines'

type Reader = Kysely<Database> | Transaction<Database>

/** Runs of the finder since a day, newest first, as they stand in the books by now. */
export async function readFaultRuns(store: Reader, siteId: string, since: Date): Promise<PastRun[]> {
  const runs = await readStanding(store, siteId, { kinds: ['fault-run'], since })
  const projects = [...new Set(runs.flatMap(({ happening }) => happening.body.projectId ?? []))]
  const fabrics =
    projects.length === 0
      ? []
      : await store
          .selectFrom('project')
          .select(['project_id', 'fabric'])
          .where('site_id', '=', siteId)
          .where('project_id', 'in', projects)
          .execute()
  const cloths = new Map(
    fabrics.map(({ project_id, fabric }) => [project_id, (fabric as { structure?: string }).structure]),
  )
  return runs.map(({ machineId, event, happening: { body } }) => {
    const cloth = body.projectId && cloths.get(body.projectId)
    return {
      machineId,
      symptom: body.symptom,
      outcome: body.outcome,
      happenedAt: event.happenedAt,
      ...(body.cured && { cured: body.cured }),
      ...(cloth && { cloth }),
    }
  })
}
