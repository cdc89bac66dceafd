import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import { eventBody, eventWords, type EventKind, type Happening, type LineBody } from '@/core/machine/event'
import type { EventWords } from '@/core/machine/kinds/kind'
import type { LeftLine } from '@/core/people/left-line'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** A learner sees for so long what staff decided. */
const DECIDED_SHOWN_MS = 30 * 60_000

const leftLines = (store: Reader, siteId: string) =>
  store
    .selectFrom('left_line')
    .innerJoin('machine', (join) =>
      join.onRef('machine.site_id', '=', 'left_line.site_id').onRef('machine.machine_id', '=', 'left_line.machine_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'left_line.site_id').onRef('person.person_id', '=', 'left_line.person_id'),
    )
    .leftJoin('person as decider', (join) =>
      join.onRef('decider.site_id', '=', 'left_line.site_id').onRef('decider.person_id', '=', 'left_line.decided_by'),
    )
    // What a correction names, so that staff see what it takes back.
    .leftJoin('machine_event as named', (join) =>
      join
        .onRef('named.site_id', '=', 'left_line.site_id')
        .on(sql<SqlBool>`named.event_id = (left_line.body->>'corrects')::uuid`),
    )
    .select([
      'line_id',
      'left_line.machine_id',
      'machine.name as machine',
      'machine.number',
      'person.name as who',
      'left_line.happened_at',
      'left_line.kind',
      'left_line.body',
      'named.kind as named_kind',
      'named.body as named_body',
      'because',
      'taken',
      'decider.name as decider',
    ])
    .where('left_line.site_id', '=', siteId)
    .orderBy('left_at')
    .orderBy('line_id')

type Row = Awaited<ReturnType<ReturnType<typeof leftLines>['execute']>>[number]

const wordsOf = (kind: EventKind, body: unknown): EventWords =>
  eventWords({ kind, body: check(eventBody(kind), body) } as Happening)

function correctionWords({ body, named_kind, named_body }: Row): EventWords {
  const { because, replacement } = check(eventBody('correction'), body) as LineBody<'correction'>
  const plain = named_kind !== null && named_kind !== 'correction'
  const named = plain ? wordsOf(named_kind as EventKind, named_body).title : 'a line that took another back'
  const instead = replacement ? `, and says instead: ${eventWords(replacement as Happening).title}` : ''
  return { title: `takes back “${named}”${instead}`, detail: because }
}

const asLeft = (row: Row): LeftLine => {
  const kind = row.kind as EventKind
  const words = row.body === null ? undefined : kind === 'correction' ? correctionWords(row) : wordsOf(kind, row.body)
  return {
    lineId: row.line_id,
    machineId: row.machine_id,
    machine: row.machine,
    number: row.number,
    who: row.who,
    happenedAt: row.happened_at.toISOString(),
    kind,
    ...(words && { words }),
    because: row.because,
    ...(row.taken !== null && { decided: { taken: row.taken, by: row.decider ?? 'staff' } }),
  }
}

/** Every line that nobody has decided about, the first left first. */
export async function readLeftLines(store: Reader, siteId: string): Promise<LeftLine[]> {
  return (await leftLines(store, siteId).where('decided_at', 'is', null).execute()).map(asLeft)
}

/** A learner's own: those that wait for staff, and what became of others just now. */
export async function readOwnLeftLines(
  store: Reader,
  siteId: string,
  personId: string,
  now: Date,
): Promise<LeftLine[]> {
  const rows = await leftLines(store, siteId)
    .where('left_line.person_id', '=', personId)
    .where((where) =>
      where.or([
        where('decided_at', 'is', null),
        // Whoever took their own line back knows it.
        where.and([
          where('decided_at', '>', new Date(now.getTime() - DECIDED_SHOWN_MS)),
          where('decided_by', '<>', personId),
        ]),
      ]),
    )
    .execute()
  return rows.map(asLeft)
}
