import type { Kysely, Transaction } from 'kysely'
import { liveSession, openSeats, type LiveRoom } from '@/core/session/live-room'
import { readEveryCall } from '../calls/calls'
import type { Database } from '../database'
import { readRoom } from '../machine/machines'
import { readProjects } from '../project/projects'
import { readPlans, readSessions } from './sessions'

type Reader = Kysely<Database> | Transaction<Database>

/** A session is on screen from so long before it begins until so long after it ends. */
const AROUND_MS = 30 * 60_000

export async function readLiveRoom(store: Reader, siteId: string, now: Date): Promise<LiveRoom> {
  const [sessions, machines, projects, calls] = await Promise.all([
    readSessions(store, siteId, {
      from: new Date(now.getTime() - AROUND_MS),
      to: new Date(now.getTime() + AROUND_MS),
    }),
    readRoom(store, siteId),
    readProjects(store, siteId, { hanging: true }),
    readEveryCall(store, siteId),
  ])
  const facts = { machines, projects, calls }
  const on = await Promise.all(
    sessions
      .filter(({ calledOff }) => calledOff === undefined)
      .map(async (session) => {
        const plan = (await readPlans(store, siteId, { sessionIds: [session.sessionId] })).get(session.sessionId)
        return liveSession({ ...session, seats: plan?.plan.seats ?? [] }, facts, now)
      }),
  )
  return { sessions: on, open: openSeats(facts, on, now) }
}
