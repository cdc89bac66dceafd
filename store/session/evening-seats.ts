import { sql, type Kysely, type Transaction } from 'kysely'
import { inWalkingOrder } from '@/core/room/walk'
import { SessionPlanSchema, type PlannedSeat } from '@/core/session/session-schema'
import { check } from '@/core/schema/validate'
import type { Database } from '../database'
import type { Session } from './sessions'

type Reader = Kysely<Database> | Transaction<Database>

/** A place of an evening that was, with the names that it had for people. */
export interface EveningSeat extends PlannedSeat {
  readonly machine: string
  readonly number: number
  readonly personId: string
  readonly learner: string
  readonly project: string
  /** they did not come */
  readonly absent: boolean
}

/**
 * Who had which place in a session by its newest plan, in the order of blocks and of a walk through the room. Whoever did not come
 * is there, and so is what was put away after the session began: an evening is told as it was, years later, too.
 */
export async function readEveningSeats(
  store: Reader,
  siteId: string,
  { sessionId, startsAt }: Pick<Session, 'sessionId' | 'startsAt'>,
): Promise<EveningSeat[]> {
  const newest = await store
    .selectFrom('session_plan')
    .select('plan')
    .where('site_id', '=', siteId)
    .where('session_id', '=', sessionId)
    .orderBy('landed', 'desc')
    .limit(1)
    .executeTakeFirst()
  const { seats } = newest ? check(SessionPlanSchema, newest.plan) : { seats: [] }
  if (seats.length === 0) return []
  const [machines, projects] = await Promise.all([
    store
      .selectFrom('machine')
      .innerJoin('machine_state', (join) =>
        join
          .onRef('machine_state.site_id', '=', 'machine.site_id')
          .onRef('machine_state.machine_id', '=', 'machine.machine_id'),
      )
      .select(['machine.machine_id', 'name', 'number', 'place_x', 'place_y'])
      .select(sql<Date | null>`(machine_state.state->'putAway'->>'since')::timestamptz`.as('away_at'))
      .where('machine.site_id', '=', siteId)
      .where('machine.machine_id', 'in', [...new Set(seats.map(({ machineId }) => machineId))])
      .execute(),
    store
      .selectFrom('project')
      .innerJoin('enrolment', (join) =>
        join
          .onRef('enrolment.site_id', '=', 'project.site_id')
          .onRef('enrolment.enrolment_id', '=', 'project.enrolment_id'),
      )
      .innerJoin('person', (join) =>
        join.onRef('person.site_id', '=', 'enrolment.site_id').onRef('person.person_id', '=', 'enrolment.person_id'),
      )
      .leftJoin('attendance', (join) =>
        join
          .onRef('attendance.site_id', '=', 'person.site_id')
          .onRef('attendance.person_id', '=', 'person.person_id')
          .on('attendance.session_id', '=', sessionId),
      )
      .select(['project_id', 'project.name as project', 'person.person_id', 'person.name as learner', 'comes'])
      .select(sql<Date | null>`least(project.put_away_at, enrolment.put_away_at)`.as('away_at'))
      .where('project.site_id', '=', siteId)
      .where('project_id', 'in', [...new Set(seats.map(({ projectId }) => projectId))])
      .execute(),
  ])
  const wasThere = ({ away_at }: { readonly away_at: Date | null }) => away_at === null || away_at >= startsAt
  const machineOf = new Map(machines.filter(wasThere).map((each) => [each.machine_id, each]))
  const projectOf = new Map(projects.filter(wasThere).map((each) => [each.project_id, each]))
  return seats
    .flatMap((seat) => {
      const [machine, project] = [machineOf.get(seat.machineId), projectOf.get(seat.projectId)]
      if (!machine || !project) return []
      const { person_id: personId, learner, project: name, comes } = project
      const place = { x: machine.place_x, y: machine.place_y }
      const names = { machine: machine.name, number: machine.number, personId, learner, project: name }
      return [{ place, seat: { ...seat, ...names, absent: comes === 'absent' } }]
    })
    .sort((a, b) => a.seat.block - b.seat.block || inWalkingOrder(a, b))
    .map(({ seat }) => seat)
}
