import { formatInTimeZone } from '@/ui/time'
import { needlesOf } from '@/core/machine/needle-history'
import type { MachineState } from '@/core/machine/state'
import { spaced } from '@/core/units/words'
import { type NeedleBar } from '@/ui/drawings/needle-bars'
import { shortNeedle } from '@/ui/words'

/** How many needles the chart shows; older ones are in the book. */
const NEEDLES = 8

/** The last needles as bars: how long each was in, and why it left. */
export function needleBars(state: MachineState, timeZone: string): NeedleBar[] {
  const day = (moment: string) => formatInTimeZone(moment, timeZone).split(',')[0]!
  return needlesOf(state)
    .slice(-NEEDLES)
    .reverse()
    .map(({ eventId, needle, fittedAt, leftAt, out, broke, effectiveHours }) => ({
      key: eventId,
      name: shortNeedle(needle),
      hours: effectiveHours,
      inside: leftAt === undefined,
      words:
        leftAt === undefined
          ? `in since ${day(fittedAt)}`
          : `${day(fittedAt)} to ${day(leftAt)}: ${broke ? 'broke' : out ? `${spaced(out.reason)}, to ${spaced(out.wentTo)}` : 'taken out'}`,
    }))
}
