import 'server-only'
import { seamSoFar } from '@/core/session/bench-list'
import { seamsNear, type LiveRoom, type LiveSession, type SeamSoFar } from '@/core/session/live-room'
import { asPlanSeat } from '@/core/session/seat'
import { readMachineVersions } from '@/store/machine/versions'
import { readAhead } from '@/store/session/ahead'
import { readLive, type LiveReading } from '@/store/session/live-room'
import { readSeamFacts } from './session-facts'
import { booksOf } from './store'
import { roomVersion } from './versions'

/** The room as it is just now, and near a seam how far it is with that: what kits ask of machines is reckoned only then. */
export async function readLiveNow(siteId: string, now: Date): Promise<LiveRoom> {
  return withSeams(siteId, await readLive(booksOf(siteId), siteId, now), now)
}

/** Another text whenever the room, a book or what is planned is another than it was: what the pages of the room are drawn of. */
export async function readRoomVersion(siteId: string, now: Date): Promise<string> {
  return versionOf(siteId, (await readLive(booksOf(siteId), siteId, now)).room, now)
}

/** Both, of one reading. */
export async function readLiveNews(siteId: string, now: Date): Promise<{ room: LiveRoom; version: string }> {
  const live = await readLive(booksOf(siteId), siteId, now)
  const [room, version] = await Promise.all([withSeams(siteId, live, now), versionOf(siteId, live.room, now)])
  return { room, version }
}

async function versionOf(siteId: string, room: LiveRoom, now: Date): Promise<string> {
  const store = booksOf(siteId)
  const [machines, ahead] = await Promise.all([readMachineVersions(store, siteId), readAhead(store, siteId, now)])
  return roomVersion(room, machines, ahead)
}

async function withSeams(siteId: string, live: LiveReading, now: Date): Promise<LiveRoom> {
  const sessions = await Promise.all(
    live.room.sessions.map(async (session) => {
      const seam = await seamOf(siteId, session, live, now)
      return seam ? { ...session, seam } : session
    }),
  )
  return { ...live.room, sessions }
}

/** The seam that is not done yet, or else the one that comes. */
async function seamOf(
  siteId: string,
  session: LiveSession,
  live: LiveReading,
  now: Date,
): Promise<SeamSoFar | undefined> {
  const near = seamsNear(session, now)
  const plan = live.plans.get(session.sessionId)?.plan
  const of = live.sessions.find(({ sessionId }) => sessionId === session.sessionId)
  if (near.length === 0 || !plan || !of) return undefined
  const facts = await readSeamFacts(siteId, of, live.projects)
  const seats = plan.seats.map(asPlanSeat)
  const told = near.flatMap((block) => seamSoFar(facts, seats, block, now.toISOString()) ?? [])
  return told.find(({ ready, of: all }) => ready < all) ?? told.at(-1)
}
