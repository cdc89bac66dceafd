import type { Kysely, Transaction } from 'kysely'
import {
  AccessNeedsSchema,
  ComesSchema,
  SessionPlanSchema,
  type Comes,
  type SessionPlan,
} from '@/core/session/session-schema'
import { check } from '@/core/schema/validate'
import type { AccessNeed } from '@/core/knowledge/machine/access'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** One session of a class. */
export interface Session {
  readonly sessionId: string
  readonly courseId: string
  readonly course: string
  readonly startsAt: Date
  readonly endsAt: Date
  readonly blocks: number
  /** why it does not take place */
  readonly calledOff?: string
}

/** Sessions in order of time; of one class, or one alone, where asked. */
export async function readSessions(
  store: Reader,
  siteId: string,
  only: { readonly sessionId?: string; readonly courseId?: string; readonly from?: Date; readonly to?: Date } = {},
): Promise<Session[]> {
  const rows = await store
    .selectFrom('session')
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'session.site_id').onRef('course.course_id', '=', 'session.course_id'),
    )
    .select(['session_id', 'session.course_id', 'course.name', 'starts_at', 'ends_at', 'blocks', 'called_off'])
    .where('session.site_id', '=', siteId)
    .$if(only.sessionId !== undefined, (query) => query.where('session_id', '=', only.sessionId!))
    .$if(only.courseId !== undefined, (query) => query.where('session.course_id', '=', only.courseId!))
    .$if(only.from !== undefined, (query) => query.where('ends_at', '>=', only.from!))
    .$if(only.to !== undefined, (query) => query.where('starts_at', '<', only.to!))
    .orderBy('starts_at')
    .orderBy('session_id')
    .execute()
  return rows.map((row) => ({
    sessionId: row.session_id,
    courseId: row.course_id,
    course: row.name,
    startsAt: row.starts_at,
    endsAt: row.ends_at,
    blocks: row.blocks,
    ...(row.called_off !== null && { calledOff: row.called_off }),
  }))
}

export interface Attendance {
  readonly comes: Comes
  readonly fromBlock?: number
}

/** Who does not come, by session. */
export async function readAbsent(store: Reader, siteId: string): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const rows = await store
    .selectFrom('attendance')
    .select(['session_id', 'person_id'])
    .where('site_id', '=', siteId)
    .where('comes', '=', 'absent')
    .execute()
  const absent = new Map<string, Set<string>>()
  for (const { session_id, person_id } of rows)
    absent.set(session_id, (absent.get(session_id) ?? new Set()).add(person_id))
  return absent
}

/** Who comes late or not at all, by person id; everybody else comes. */
export async function readAttendance(
  store: Reader,
  siteId: string,
  sessionId: string,
): Promise<ReadonlyMap<string, Attendance>> {
  const rows = await store
    .selectFrom('attendance')
    .select(['person_id', 'comes', 'from_block'])
    .where('site_id', '=', siteId)
    .where('session_id', '=', sessionId)
    .execute()
  return new Map(
    rows.map((row) => [
      row.person_id,
      { comes: check(ComesSchema, row.comes), ...(row.from_block !== null && { fromBlock: row.from_block }) },
    ]),
  )
}

/** What people need of a place, by person id. */
export async function readNeeds(store: Reader, siteId: string): Promise<ReadonlyMap<string, readonly AccessNeed[]>> {
  const rows = await store
    .selectFrom('person_need')
    .select(['person_id', 'needs'])
    .where('site_id', '=', siteId)
    .execute()
  return new Map(rows.map((row) => [row.person_id, check(AccessNeedsSchema, row.needs)]))
}

export interface Pair {
  readonly pairId: string
  readonly kind: 'together' | 'apart'
  readonly people: readonly [string, string]
}

/** The pairs that hold now. */
export async function readPairs(store: Reader, siteId: string): Promise<Pair[]> {
  const rows = await store
    .selectFrom('seat_pair')
    .select(['pair_id', 'kind', 'one_id', 'other_id'])
    .where('site_id', '=', siteId)
    .where('ended_at', 'is', null)
    .orderBy('pair_id')
    .execute()
  return rows.map((row) => ({
    pairId: row.pair_id,
    kind: row.kind as Pair['kind'],
    people: [row.one_id, row.other_id],
  }))
}

export interface KeptPlan {
  readonly planId: string
  readonly sessionId: string
  readonly plan: SessionPlan
  readonly madeBy: string
  readonly madeAt: Date
  readonly basedOn: string | null
}

/** The newest plan of each session, by session id; of one session only, where asked. */
export async function readPlans(
  store: Reader,
  siteId: string,
  sessionId?: string,
): Promise<ReadonlyMap<string, KeptPlan>> {
  const rows = await store
    .selectFrom('session_plan')
    .distinctOn('session_id')
    .selectAll()
    .where('site_id', '=', siteId)
    .$if(sessionId !== undefined, (query) => query.where('session_id', '=', sessionId!))
    .orderBy('session_id')
    .orderBy('landed', 'desc')
    .execute()
  return new Map(rows.map((row) => [row.session_id, asPlan(row)]))
}

const asPlan = (row: {
  plan_id: string
  session_id: string
  plan: unknown
  made_by: string
  made_at: Date
  based_on: string | null
}): KeptPlan => ({
  planId: row.plan_id,
  sessionId: row.session_id,
  plan: check(SessionPlanSchema, row.plan),
  madeBy: row.made_by,
  madeAt: row.made_at,
  basedOn: row.based_on,
})

/** Every plan that a session ever had, the newest first; of years of moving about the last hundred. */
export async function readPlanHistory(store: Reader, siteId: string, sessionId: string): Promise<KeptPlan[]> {
  const rows = await store
    .selectFrom('session_plan')
    .selectAll()
    .where('site_id', '=', siteId)
    .where('session_id', '=', sessionId)
    .orderBy('landed', 'desc')
    .limit(100)
    .execute()
  return rows.map(asPlan)
}
