import type { Kysely, Transaction } from 'kysely'
import { eventWords } from '@/core/machine/event'
import type { Database } from '../database'
import { readStanding } from '../machine/standing-lines'

type Reader = Kysely<Database> | Transaction<Database>

/** A line that somebody wrote themselves, as they read it again. */
export interface OwnLine {
  readonly eventId: string
  readonly at: Date
  readonly machine: string
  readonly title: string
}

/** What a learner wrote before a moment, the newest first: checks, swatches and turns, as they stand in the book by now. */
export async function readOwnLines(
  store: Reader,
  siteId: string,
  personId: string,
  before: Date,
  limit: number,
): Promise<OwnLine[]> {
  const kinds = ['check-run', 'swatch-stitched', 'turn-ended'] as const
  const lines = (await readStanding(store, siteId, { kinds, personId, before })).slice(0, limit)
  if (lines.length === 0) return []
  const machines = await store
    .selectFrom('machine')
    .select(['machine_id', 'name'])
    .where('site_id', '=', siteId)
    .where(
      'machine_id',
      'in',
      lines.map(({ machineId }) => machineId),
    )
    .execute()
  const names = new Map(machines.map(({ machine_id, name }) => [machine_id, name]))
  return lines.map(({ machineId, event, happening }) => ({
    eventId: event.eventId,
    at: new Date(event.happenedAt),
    machine: names.get(machineId)!,
    title: eventWords(happening).title,
  }))
}
