import type { LiveSeat } from '@/core/session/live-room'
import { STEP_WORDS } from '@/core/session/seat-step'
import { capital, counted } from '@/core/units/words'

/** Where somebody is, in the fewest words; a call goes before the step they are at. @param names whether anybody may be named */
export function whereWords({ call, stopped, step }: Pick<LiveSeat, 'call' | 'stopped' | 'step'>, names = true): string {
  if (call?.about === 'hurt') return 'Somebody is hurt'
  if (call?.about === 'help') return call.going ? `${names ? call.going.by : 'Somebody'} is going` : 'Calls for help'
  if (stopped) return 'Machine is stopped'
  return capital(STEP_WORDS[step])
}

export const sinceOf = ({ call, since }: LiveSeat): string => (call && call.about !== 'visit' ? call.calledAt : since)

/** @param ms how long it is */
export const forSoLong = (ms: number): string => (ms < 60_000 ? 'just now' : counted(Math.floor(ms / 60_000), 'minute'))

/** Minutes until a moment, for what is coming. */
export const inMinutes = (moment: string, nowMs: number): number =>
  Math.max(0, Math.ceil((Date.parse(moment) - nowMs) / 60_000))
