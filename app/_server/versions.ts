import 'server-only'
import { createHash } from 'node:crypto'
import type { LiveRoom } from '@/core/session/live-room'
import type { EventOf } from '@/core/wire/asks'
import type { SeatVersion } from '@/store/session/seat-version'

/** Of what a page was drawn: short, and with nothing in it that is anybody's business. */
const digest = (text = ''): string => createHash('sha256').update(text).digest('base64url').slice(0, 12)

export type SeatTold = Omit<EventOf<'own-seat'>, 'now'>

/**
 * Of what a learner's pages are drawn, and which of the machines they sat at are stopped: a stop reaches them whatever they are in
 * the middle of, and wherever they sit by now.
 * @param stopped the venue's machines on which nobody sews, names by ids
 */
export function seatTold(
  versions: ReadonlyMap<string, SeatVersion>,
  stopped: ReadonlyMap<string, string>,
  personId: string,
): SeatTold {
  const own = versions.get(personId)
  return {
    seat: digest(own?.seat),
    whole: digest(own?.whole),
    ...(own?.machineId !== undefined && { machineId: own.machineId }),
    stopped: [...stopped].flatMap(([machineId, name]) => (own?.sat.includes(machineId) ? [{ machineId, name }] : [])),
  }
}

/** Of what the pages of the room are drawn: who is where, each book, and what is planned. */
export const roomVersion = (room: LiveRoom, machines: ReadonlyMap<string, string>, ahead: string): string =>
  digest(JSON.stringify([room, [...machines], ahead]))

/** Of what the plan of the room and the page of each machine are drawn. */
export const machinesVersion = (
  versions: ReadonlyMap<string, string>,
): { readonly whole: string; readonly each: Readonly<Record<string, string>> } => ({
  whole: digest([...versions].join(' ')),
  each: Object.fromEntries([...versions].map(([machineId, version]) => [machineId, digest(version)])),
})
