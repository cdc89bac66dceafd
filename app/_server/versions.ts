import 'server-only'
import { createHash } from 'node:crypto'
import type { SeatVersion } from '@/store/session/seat-version'

/** Of what a page was drawn: short, and with nothing in it that is anybody's business. */
const digest = (text = ''): string => createHash('sha256').update(text).digest('base64url').slice(0, 12)

/** Of what a learner's pages are drawn. */
export function seatVersion(versions: ReadonlyMap<string, SeatVersion>, personId: string): SeatVersion {
  const own = versions.get(personId)
  return { seat: digest(own?.seat), whole: digest(own?.whole) }
}

/** Of what the plan of the room and the page of each machine are drawn. */
export const machinesVersion = (
  versions: ReadonlyMap<string, string>,
): { readonly whole: string; readonly each: Readonly<Record<string, string>> } => ({
  whole: digest([...versions].join(' ')),
  each: Object.fromEntries([...versions].map(([machineId, version]) => [machineId, digest(version)])),
})
