import 'server-only'
import type { EventAsk, EventOf } from '@/core/wire/asks'
import { may, type Action } from '@/core/wire/permission'
import { readOpenCalls, readOwnCalls } from '@/store/calls/calls'
import { readLeftLines, readOwnLeftLines } from '@/store/calls/left-lines'
import type { Topic } from '@/store/live/news'
import { readStopped } from '@/store/machine/stopped'
import { readMachineVersions } from '@/store/machine/versions'
import { readSeatVersions } from '@/store/session/seat-version'
import type { Asked } from './asked'
import { readLiveNews } from './live-now'
import { oneRead } from './one-read'
import { shownCall, shownLeft, unnamedCall } from './shown-call'
import { siteOf } from './site'
import { booksOf, storeOf } from './store'
import { machinesVersion, seatTold } from './versions'

type Read<Name extends EventAsk> = () => Promise<Omit<EventOf<Name>, 'now'>>

export interface Watch<Name extends EventAsk> {
  /** what whoever watches it must be allowed; absent: everybody who is signed in, each their own part of it */
  readonly may?: Action
  /** with whose news it is read again */
  readonly topic: Topic
  readonly reader: (asked: Pick<Asked<unknown>, 'actor' | 'may'>) => Read<Name>
}

// However many screens watch, a venue is read once a change.
const liveOnce = oneRead((siteId) => readLiveNews(siteId, new Date()))
const machinesOnce = oneRead(async (siteId) => machinesVersion(await readMachineVersions(storeOf(siteId), siteId)))
const seatsOnce = oneRead((siteId) => {
  const [store, now] = [booksOf(siteId), new Date()]
  return Promise.all([readSeatVersions(store, siteId, now), readStopped(store, siteId, now)])
})

async function readUnnamedCalls(siteId: string): Promise<Omit<EventOf<'calls-unnamed'>, 'now'>> {
  const [{ timeZone }, calls] = await Promise.all([siteOf(siteId), readOpenCalls(booksOf(siteId), siteId)])
  return { calls: calls.map((call) => unnamedCall(call, timeZone)) }
}

/** What a tablet that lies there is told, though nobody is signed in on it. */
export const toldToAnybody = (siteId: string) => [
  { name: 'calls-unnamed', topic: 'calls' as const, read: () => readUnnamedCalls(siteId) },
]

/** What a page can be told of as it changes, and how each of it is read. */
export const WATCHES: { readonly [Name in EventAsk]: Watch<Name> } = {
  /** calls for help as they stand, and learners' lines that wait for staff: staff see every open one, a learner their own */
  calls: {
    topic: 'calls',
    reader: ({ actor: { siteId, personId }, may }) => {
      const store = booksOf(siteId)
      return async () => {
        const now = new Date()
        const { timeZone } = await siteOf(siteId)
        const [calls, left] = await (may('see-calls')
          ? Promise.all([readOpenCalls(store, siteId), readLeftLines(store, siteId)])
          : Promise.all([readOwnCalls(store, siteId, personId, now), readOwnLeftLines(store, siteId, personId, now)]))
        return {
          calls: calls.map((call) => shownCall(call, timeZone)),
          left: left.map((line) => shownLeft(line, timeZone)),
        }
      }
    },
  },
  'calls-unnamed': {
    may: 'see-calls',
    topic: 'calls',
    reader:
      ({ actor: { siteId } }) =>
      () =>
        readUnnamedCalls(siteId),
  },
  'live-room': {
    may: 'see-room',
    topic: 'room',
    reader:
      ({ actor: { siteId } }) =>
      () =>
        liveOnce(siteId),
  },
  /** whether a learner's own seat is still what their page shows, and whether their machine is stopped */
  'own-seat': {
    may: 'see-station',
    topic: 'room',
    reader:
      ({ actor: { siteId, personId } }) =>
      async () =>
        seatTold(...(await seatsOnce(siteId)), personId),
  },
  /** whether the plan of the room, and each machine's page, are still what they show */
  machines: {
    may: 'see-room',
    topic: 'room',
    reader:
      ({ actor: { siteId } }) =>
      () =>
        machinesOnce(siteId),
  },
}

/** Calls as they stand, for a page to be drawn with. */
export const callsNow = async (actor: Asked<unknown>['actor']): Promise<EventOf<'calls'>> => ({
  now: new Date().toISOString(),
  ...(await WATCHES.calls.reader({ actor, may: (action) => may(actor.role, action) })()),
})
