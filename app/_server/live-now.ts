import 'server-only'
import { seamList } from '@/core/session/bench-list'
import { seamsNear, type LiveRoom, type LiveSession, type SeamSoFar } from '@/core/session/live-room'
import { asPlanSeat } from '@/core/session/seat'
import { readMachineVersions } from '@/store/machine/versions'
import { readLiveRoom } from '@/store/session/live-room'
import { readAhead } from '@/store/session/ahead'
import { readSessions } from '@/store/session/sessions'
import { askedNow, readSessionFacts } from './session-facts'
import { booksOf } from './store'
import { roomVersion } from './versions'

/** The room as it is just now, and near a seam how far it is with that: what kits ask of machines is reckoned only then. */
export async function readLiveNow(siteId: string, now: Date): Promise<LiveRoom> {
  return withSeams(siteId, await readLiveRoom(booksOf(siteId), siteId, now), now)
}

/** Another text whenever the room, a book or what is planned is another than it was: what the pages of the room are drawn of. */
export async function readRoomVersion(siteId: string, now: Date): Promise<string> {
  return versionOf(siteId, await readLiveRoom(booksOf(siteId), siteId, now), now)
}

/** Both, of one reading. */
export async function readLiveNews(siteId: string, now: Date): Promise<{ room: LiveRoom; version: string }> {
  const plain = await readLiveRoom(booksOf(siteId), siteId, now)
  const [room, version] = await Promise.all([withSeams(siteId, plain, now), versionOf(siteId, plain, now)])
  return { room, version }
}

async function versionOf(siteId: string, room: LiveRoom, now: Date): Promise<string> {
  const store = booksOf(siteId)
  const [machines, ahead] = await Promise.all([readMachineVersions(store, siteId), readAhead(store, siteId, now)])
  return roomVersion(room, machines, ahead)
}

async function withSeams(siteId: string, room: LiveRoom, now: Date): Promise<LiveRoom> {
  const sessions = await Promise.all(
    room.sessions.map(async (live) => {
      const seam = await seamSoFar(siteId, live, now)
      return seam ? { ...live, seam } : live
    }),
  )
  return { ...room, sessions }
}

/** The seam that is not done yet, or else the one that comes. */
async function seamSoFar(siteId: string, live: LiveSession, now: Date): Promise<SeamSoFar | undefined> {
  const near = seamsNear(live, now)
  if (near.length === 0) return undefined
  const [session] = await readSessions(booksOf(siteId), siteId, { sessionId: live.sessionId })
  if (!session) return undefined
  const known = await readSessionFacts(siteId, session)
  const { kits } = askedNow(known, now)
  const seats = (known.kept?.plan.seats ?? []).map(asPlanSeat)
  const told = near.flatMap((toBlock): SeamSoFar[] => {
    const stops = seamList(known.facts, seats, kits, toBlock, now.toISOString())
    const open = stops.filter(({ ready }) => !ready)
    const nameOf = (machineId: string) => known.facts.machines.find((each) => each.machineId === machineId)?.name ?? ''
    return stops.length === 0
      ? []
      : [
          {
            toBlock,
            of: stops.length,
            ready: stops.length - open.length,
            open: open.map(({ machineId }) => nameOf(machineId)),
          },
        ]
  })
  return told.find(({ ready, of }) => ready < of) ?? told.at(-1)
}
