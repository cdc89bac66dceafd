import 'server-only'
import { createHash } from 'node:crypto'
import type { SeatVersion } from '@/store/session/seat-version'

const digest = (text = ''): string => createHash('sha256').update(text).digest('base64url').slice(0, 22)

/** Of what a seat's pages were drawn; short, and with nothing in it that is anybody's business. */
export function seatVersion(versions: ReadonlyMap<string, SeatVersion>, personId: string): SeatVersion {
  const own = versions.get(personId)
  return { seat: digest(own?.seat), whole: digest(own?.whole) }
}
