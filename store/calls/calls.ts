import type { Kysely, Transaction } from 'kysely'
import { CallFoundSchema, type CallEnd, type HelpCall } from '@/core/people/help-call'
import { check } from '@/core/schema/validate'
import type { ReportCall } from '@/core/session/report'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** A learner sees how a call went on for so long after it ended. */
const ENDED_SHOWN_MS = 2 * 60_000

const asCall = (row: {
  call_id: string
  machine_id: string | null
  machine: string | null
  number: number | null
  person_id: string
  who: string
  about: string
  found: unknown
  called_at: Date
  seen_at: Date | null
  seen_by_name: string | null
  going_at: Date | null
  going_by: string | null
  going_by_name: string | null
  ended_at: Date | null
  ended_how: string | null
}): HelpCall => ({
  callId: row.call_id,
  ...(row.machine_id !== null && { machineId: row.machine_id, machine: row.machine!, number: row.number! }),
  personId: row.person_id,
  who: row.who,
  about: row.about as HelpCall['about'],
  found: check(CallFoundSchema, row.found),
  calledAt: row.called_at.toISOString(),
  ...(row.seen_at && { seen: { at: row.seen_at.toISOString(), by: row.seen_by_name ?? 'staff' } }),
  ...(row.going_at &&
    row.going_by && {
      going: { at: row.going_at.toISOString(), by: row.going_by_name ?? 'staff', personId: row.going_by },
    }),
  ...(row.ended_at &&
    row.ended_how && {
      ended: { at: row.ended_at.toISOString(), how: row.ended_how as CallEnd },
    }),
})

const calls = (store: Reader, siteId: string) =>
  store
    .selectFrom('help_call')
    .leftJoin('machine', (join) =>
      join.onRef('machine.site_id', '=', 'help_call.site_id').onRef('machine.machine_id', '=', 'help_call.machine_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'help_call.site_id').onRef('person.person_id', '=', 'help_call.person_id'),
    )
    .leftJoin('person as seer', (join) =>
      join.onRef('seer.site_id', '=', 'help_call.site_id').onRef('seer.person_id', '=', 'help_call.seen_by'),
    )
    .leftJoin('person as goer', (join) =>
      join.onRef('goer.site_id', '=', 'help_call.site_id').onRef('goer.person_id', '=', 'help_call.going_by'),
    )
    .select([
      'help_call.call_id',
      'help_call.machine_id',
      'machine.name as machine',
      'machine.number',
      'help_call.person_id',
      'person.name as who',
      'about',
      'found',
      'called_at',
      'seen_at',
      'seer.name as seen_by_name',
      'going_at',
      'going_by',
      'goer.name as going_by_name',
      'ended_at',
      'ended_how',
    ])
    .where('help_call.site_id', '=', siteId)

/** Every call that nobody has ended: who was hurt first, then who has waited longest. */
export const readOpenCalls = async (store: Reader, siteId: string): Promise<HelpCall[]> =>
  (await readEveryCall(store, siteId)).filter(({ about }) => about !== 'visit')

/** The same, with whom staff go to unasked. */
export async function readEveryCall(store: Reader, siteId: string): Promise<HelpCall[]> {
  const rows = await calls(store, siteId)
    .where('ended_at', 'is', null)
    .orderBy((order) => order.case().when('about', '=', 'hurt').then(0).else(1).end())
    .orderBy('called_at')
    .orderBy('call_id')
    .execute()
  return rows.map(asCall)
}

/** One learner's own calls: the open ones, and how the last one ended just now. */
export async function readOwnCalls(store: Reader, siteId: string, personId: string, now: Date): Promise<HelpCall[]> {
  const rows = await calls(store, siteId)
    .where('help_call.person_id', '=', personId)
    .where((where) =>
      where.or([where('ended_at', 'is', null), where('ended_at', '>', new Date(now.getTime() - ENDED_SHOWN_MS))]),
    )
    .orderBy('called_at', 'desc')
    .limit(5)
    .execute()
  return rows.map(asCall)
}

/** Calls that were made between two moments, with when somebody went. */
export async function readCallsBetween(store: Reader, siteId: string, from: Date, to: Date): Promise<ReportCall[]> {
  const rows = await store
    .selectFrom('help_call')
    .select(['person_id', 'machine_id', 'called_at', 'going_at', 'ended_at', 'ended_how'])
    .where('site_id', '=', siteId)
    .where('about', '<>', 'visit')
    .where('called_at', '>=', from)
    .where('called_at', '<', to)
    .execute()
  return rows.map(({ person_id, machine_id, called_at, going_at, ended_at, ended_how }) => {
    const answered = going_at ?? (ended_how === 'lapsed' ? null : ended_at)
    return {
      personId: person_id,
      ...(machine_id !== null && { machineId: machine_id }),
      calledAt: called_at.toISOString(),
      ...(answered && { answeredAt: answered.toISOString() }),
    }
  })
}

/** When staff were last with each learner, by person id; of so long ago and no longer. */
export async function readVisits(store: Reader, siteId: string, since: Date): Promise<ReadonlyMap<string, Date>> {
  const rows = await store
    .selectFrom('help_call')
    .select(['person_id', (of) => of.fn.max('ended_at').as('ended_at')])
    .where('site_id', '=', siteId)
    .where('ended_at', '>', since)
    .where('ended_how', '=', 'done')
    .groupBy('person_id')
    .execute()
  return new Map(rows.flatMap((row) => (row.ended_at ? [[row.person_id, row.ended_at] as const] : [])))
}
