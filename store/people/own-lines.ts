import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import { eventBody, eventWords, type EventKind, type Happening } from '@/core/machine/event'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** A line that somebody wrote themselves, as they read it again. */
export interface OwnLine {
  readonly eventId: string
  readonly at: Date
  readonly machine: string
  readonly title: string
}

/** What a learner wrote before a moment, the newest first: checks, swatches and turns; what was taken back is left out. */
export async function readOwnLines(
  store: Reader,
  siteId: string,
  personId: string,
  before: Date,
  limit: number,
): Promise<OwnLine[]> {
  const rows = await store
    .selectFrom('machine_event as line')
    .innerJoin('machine', (join) =>
      join.onRef('machine.site_id', '=', 'line.site_id').onRef('machine.machine_id', '=', 'line.machine_id'),
    )
    .select(['line.event_id', 'line.happened_at', 'line.kind', 'line.body', 'machine.name'])
    .where('line.site_id', '=', siteId)
    .where('line.person_id', '=', personId)
    .where('line.happened_at', '<', before)
    .where('line.kind', 'in', ['check-run', 'swatch-stitched', 'turn-ended'])
    .where(
      sql<SqlBool>`not exists (
        select 1 from machine_event as later
        where later.site_id = line.site_id and later.kind = 'correction' and later.body->>'corrects' = line.event_id::text
      )`,
    )
    .orderBy('line.happened_at', 'desc')
    .limit(limit)
    .execute()
  return rows.map(({ event_id: eventId, happened_at: at, kind, body, name: machine }) => ({
    eventId,
    at,
    machine,
    title: eventWords({ kind, body: check(eventBody(kind as EventKind), body) } as Happening).title,
  }))
}
