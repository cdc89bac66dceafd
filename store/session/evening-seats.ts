import type { Kysely, Transaction } from 'kysely'
import { inWalkingOrder } from '@/core/room/walk'
import type { PlannedSeat } from '@/core/session/session-schema'
import type { Database } from '../database'
import { readMachines } from '../machine/machines'
import { readProjects } from '../project/projects'
import { readAttendance, readPlans, type Session } from './sessions'

type Reader = Kysely<Database> | Transaction<Database>

/** A place of an evening that was, with the names that it had for people. */
export interface EveningSeat extends PlannedSeat {
  readonly machine: string
  readonly personId: string
  readonly learner: string
  readonly project: string
  /** somebody said that they do not come */
  readonly absent: boolean
}

/**
 * Who had which place in a session by its newest plan, in the order of blocks and of a walk through the room. Whoever did not come
 * is there, and so is what was put away after the session began: an evening is told as it was, years later, too.
 */
export async function readEveningSeats(
  store: Reader,
  siteId: string,
  { sessionId, courseId, startsAt }: Pick<Session, 'sessionId' | 'courseId' | 'startsAt'>,
): Promise<EveningSeat[]> {
  const [plans, attendance, ...read] = await Promise.all([
    readPlans(store, siteId, { sessionIds: [sessionId], asMade: true }),
    readAttendance(store, siteId, sessionId),
    readMachines(store, siteId),
    readMachines(store, siteId, { putAway: true }),
    readProjects(store, siteId, { courseId }),
    readProjects(store, siteId, { courseId, putAway: true }),
  ])
  const [machinesHere, machinesAway, projectsHere, projectsAway] = read
  const wasThere = (away: Date | string | undefined) => away === undefined || new Date(away) >= startsAt
  const machines = [...machinesHere, ...machinesAway].filter(({ state }) => wasThere(state.putAway?.since))
  const projects = [...projectsHere, ...projectsAway].filter(({ putAwayAt }) => wasThere(putAwayAt))
  const seats = plans.get(sessionId)?.plan.seats ?? []
  return machines
    .sort(inWalkingOrder)
    .flatMap(({ machineId, name: machine }) =>
      seats
        .filter((seat) => seat.machineId === machineId)
        .flatMap((seat): EveningSeat[] => {
          const made = projects.find(({ projectId }) => projectId === seat.projectId)
          if (!made) return []
          const { personId, learner, name: project } = made
          return [
            { ...seat, machine, personId, learner, project, absent: attendance.get(personId)?.comes === 'absent' },
          ]
        }),
    )
    .sort((a, b) => a.block - b.block)
}
