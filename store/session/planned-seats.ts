import type { Kysely, Transaction } from 'kysely'
import { readMachines } from '../machine/machines'
import { readProjects } from '../project/projects'
import type { Database } from '../database'
import { readPlans, readSessions } from './sessions'

type Reader = Kysely<Database> | Transaction<Database>

/** A place that the run sheet of a session has for somebody. */
export interface PlannedPlace {
  readonly projectId: string
  readonly what: string
  readonly machineId: string
  readonly machine: string
  readonly number: number
  readonly block: number
  readonly from: Date
  readonly to: Date
}

/** A learner is told of their place from so long before the session on. */
const AHEAD_MS = 12 * 3_600_000

/** Where the run sheets of the sessions that run now or begin soon seat somebody, in order of time. */
export async function readPlannedSeats(
  store: Reader,
  siteId: string,
  personId: string,
  now: Date,
): Promise<PlannedPlace[]> {
  const near = await readSessions(store, siteId, { from: now, to: new Date(now.getTime() + AHEAD_MS) })
  if (near.length === 0) return []
  const [projects, plans, machines] = await Promise.all([
    readProjects(store, siteId, { personId }),
    readPlans(store, siteId, { sessionIds: near.map(({ sessionId }) => sessionId) }),
    readMachines(store, siteId),
  ])
  return near
    .filter(({ calledOff }) => calledOff === undefined)
    .flatMap(({ sessionId, startsAt, endsAt, blocks }) => {
      const blockMs = (endsAt.getTime() - startsAt.getTime()) / blocks
      return (plans.get(sessionId)?.plan.seats ?? []).flatMap(({ projectId, machineId, block }): PlannedPlace[] => {
        const project = projects.find((each) => each.projectId === projectId)
        const machine = machines.find((each) => each.machineId === machineId)
        if (!project || !machine) return []
        const from = new Date(startsAt.getTime() + (block - 1) * blockMs)
        const to = new Date(from.getTime() + blockMs)
        const place = { projectId, machineId, block, from, to, what: project.name }
        return to > now ? [{ ...place, machine: machine.name, number: machine.number }] : []
      })
    })
    .sort((a, b) => a.from.getTime() - b.from.getTime())
}
