import { sql, type Kysely, type SqlBool, type Transaction } from 'kysely'
import type { ClassSettings } from '@/core/room/class-settings'
import { ClassSettingsSchema } from '@/core/room/class-settings-schema'
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
import { STANDS_HERE } from '../machine/stands-here'

type Reader = Kysely<Database> | Transaction<Database>

/** One session of a class. */
export interface Session {
  readonly sessionId: string
  readonly courseId: string
  readonly course: string
  /** what its class does in its own way */
  readonly ofClass: ClassSettings
  readonly startsAt: Date
  readonly endsAt: Date
  readonly blocks: number
  /** why it does not take place */
  readonly calledOff?: string
  /** at its end, for the next one */
  readonly saidToClass?: string
  readonly putAway?: Date
}

/** Sessions in order of time, those that are put away only where asked for; of some classes, or one alone, where asked. */
export async function readSessions(
  store: Reader,
  siteId: string,
  only: {
    readonly sessionId?: string
    readonly courseIds?: readonly string[]
    readonly from?: Date
    readonly to?: Date
    readonly putAway?: true
  } = {},
): Promise<Session[]> {
  const rows = await store
    .selectFrom('session')
    .innerJoin('course', (join) =>
      join.onRef('course.site_id', '=', 'session.site_id').onRef('course.course_id', '=', 'session.course_id'),
    )
    .select([
      'session_id',
      'session.course_id',
      'course.name',
      'course.settings',
      'starts_at',
      'ends_at',
      'blocks',
      'called_off',
      'said_to_class',
      'put_away_at',
    ])
    .where('session.site_id', '=', siteId)
    .$if(only.sessionId !== undefined, (query) => query.where('session_id', '=', only.sessionId!))
    .$if(only.sessionId === undefined, (query) => query.where('put_away_at', only.putAway ? 'is not' : 'is', null))
    .$if(only.courseIds !== undefined, (query) => query.where('session.course_id', 'in', only.courseIds!))
    .$if(only.from !== undefined, (query) => query.where('ends_at', '>=', only.from!))
    .$if(only.to !== undefined, (query) => query.where('starts_at', '<', only.to!))
    .orderBy('starts_at')
    .orderBy('session_id')
    .execute()
  return rows.map((row) => ({
    sessionId: row.session_id,
    courseId: row.course_id,
    course: row.name,
    ofClass: check(ClassSettingsSchema, row.settings),
    startsAt: row.starts_at,
    endsAt: row.ends_at,
    blocks: row.blocks,
    ...(row.called_off !== null && { calledOff: row.called_off }),
    ...(row.said_to_class !== null && { saidToClass: row.said_to_class }),
    ...(row.put_away_at && { putAway: row.put_away_at }),
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

/**
 * The newest plan of each session, by session id; of some sessions or classes only, where asked. A plan is kept as it was made; its places at
 * machines that are put away since, and those of bags that are, are none any more, unless it is asked for as it was made.
 */
export async function readPlans(
  store: Reader,
  siteId: string,
  only: {
    readonly sessionIds?: readonly string[]
    readonly courseIds?: readonly string[]
    readonly asMade?: true
  } = {},
): Promise<ReadonlyMap<string, KeptPlan>> {
  if (only.sessionIds?.length === 0) return new Map()
  const rows = await store
    .selectFrom('session_plan')
    .distinctOn('session_id')
    .selectAll()
    .where('site_id', '=', siteId)
    .$if(only.sessionIds !== undefined, (query) => query.where('session_id', 'in', only.sessionIds!))
    .$if(only.courseIds !== undefined, (query) =>
      query.where('session_id', 'in', (inside) =>
        inside
          .selectFrom('session')
          .select('session.session_id')
          .where('session.site_id', '=', siteId)
          .where('session.course_id', 'in', only.courseIds!),
      ),
    )
    .orderBy('session_id')
    .orderBy('landed', 'desc')
    .execute()
  if (rows.length === 0) return new Map()
  if (only.asMade) return new Map(rows.map((row) => [row.session_id, asPlan(row)]))
  const away = new Set((await Promise.all([machinesAway(store, siteId), projectsAway(store, siteId)])).flat())
  if (away.size === 0) return new Map(rows.map((row) => [row.session_id, asPlan(row)]))
  return new Map(
    rows.map((row) => {
      const kept = asPlan(row)
      const seats = kept.plan.seats.filter(({ machineId, projectId }) => !away.has(machineId) && !away.has(projectId))
      const leftOut = kept.plan.leftOut.filter((machineId) => !away.has(machineId))
      return [row.session_id, { ...kept, plan: { ...kept.plan, seats, leftOut } }]
    }),
  )
}

const machinesAway = async (store: Reader, siteId: string): Promise<string[]> =>
  (
    await store
      .selectFrom('machine_state')
      .select('machine_id')
      .where('site_id', '=', siteId)
      .where(sql<SqlBool>`not ${STANDS_HERE}`)
      .execute()
  ).map(({ machine_id }) => machine_id)

const projectsAway = async (store: Reader, siteId: string): Promise<string[]> =>
  (
    await store
      .selectFrom('project')
      .innerJoin('enrolment', (join) =>
        join
          .onRef('enrolment.site_id', '=', 'project.site_id')
          .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
      )
      .select('project_id')
      .where('project.site_id', '=', siteId)
      .where((where) =>
        where.or([where('project.put_away_at', 'is not', null), where('enrolment.put_away_at', 'is not', null)]),
      )
      .execute()
  ).map(({ project_id }) => project_id)

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
