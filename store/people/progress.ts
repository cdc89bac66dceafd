import type { Kysely, Transaction } from 'kysely'
import {
  foldProgress,
  PERSON_EVENTS,
  type PersonEvent,
  type PersonEventKind,
  type Progress,
} from '@/core/people/progress'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** What each person has learnt, by person id; of one person only, where asked. */
export async function readProgress(
  store: Reader,
  siteId: string,
  personId?: string,
): Promise<ReadonlyMap<string, Progress>> {
  const rows = await store
    .selectFrom('person_event')
    .selectAll()
    .where('site_id', '=', siteId)
    .$if(personId !== undefined, (query) => query.where('person_id', '=', personId!))
    .execute()
  const byPerson = new Map<string, PersonEvent[]>()
  for (const row of rows) {
    const kind = row.kind as PersonEventKind
    const event = {
      kind,
      body: check(PERSON_EVENTS[kind], row.body),
      eventId: row.event_id,
      happenedAt: row.happened_at.toISOString(),
      personId: row.person_id,
      writtenBy: row.written_by,
    } as PersonEvent
    byPerson.set(row.person_id, [...(byPerson.get(row.person_id) ?? []), event])
  }
  return new Map([...byPerson].map(([person, events]) => [person, foldProgress(events)]))
}

/** Everybody who is enrolled in a class, by name. */
export async function readLearners(
  store: Reader,
  siteId: string,
): Promise<{ readonly personId: string; readonly name: string }[]> {
  const rows = await store
    .selectFrom('enrolment')
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
    )
    .select(['person.person_id', 'person.name'])
    .distinct()
    .where('enrolment.site_id', '=', siteId)
    .where('enrolment.put_away_at', 'is', null)
    .orderBy('person.name')
    .execute()
  return rows.map((row) => ({ personId: row.person_id, name: row.name }))
}
