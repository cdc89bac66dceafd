import type { Kysely, Transaction } from 'kysely'
import { callsBesides, liveSession, openSeats, seatsOf, type LiveRoom } from '@/core/session/live-room'
import { readEveryCall } from '../calls/calls'
import type { Database } from '../database'
import { readRoom } from '../machine/machines'
import { readProjects, type Project } from '../project/projects'
import { readPlans, readSessions, type KeptPlan, type Session } from './sessions'

type Reader = Kysely<Database> | Transaction<Database>

/** A session is on screen from so long before it begins until so long after it ends. */
const AROUND_MS = 30 * 60_000

/** The room as it is just now, with what it was told from. */
export interface LiveReading {
  readonly room: LiveRoom
  readonly sessions: readonly Session[]
  readonly plans: ReadonlyMap<string, KeptPlan>
  readonly projects: readonly Project[]
}

export async function readLive(store: Reader, siteId: string, now: Date): Promise<LiveReading> {
  const [near, machines, projects, calls] = await Promise.all([
    readSessions(store, siteId, {
      from: new Date(now.getTime() - AROUND_MS),
      to: new Date(now.getTime() + AROUND_MS),
    }),
    readRoom(store, siteId),
    readProjects(store, siteId, { hanging: true }),
    readEveryCall(store, siteId),
  ])
  const sessions = near.filter(({ calledOff }) => calledOff === undefined)
  const plans = await readPlans(store, siteId, { sessionIds: sessions.map(({ sessionId }) => sessionId) })
  const facts = { machines, projects, calls }
  const on = sessions.map((session) =>
    liveSession({ ...session, seats: plans.get(session.sessionId)?.plan.seats ?? [] }, facts, now),
  )
  const open = openSeats(facts, on, now)
  const besides = callsBesides(seatsOf({ sessions: on, open }), calls)
  return { room: { sessions: on, open, besides }, sessions, plans, projects }
}
