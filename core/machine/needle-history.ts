import { effectiveHoursOf } from '../wear/wear'
import type { BodyOf, MachineEvent } from './event'
import { applyCorrections } from './fold'
import type { Fitting } from './state'

/** One needle's stay in a machine, from its fitting to its leaving. */
export interface NeedleStay {
  readonly eventId: string
  readonly needle: Fitting['needle']
  readonly fittedAt: string
  /** absent: it is in there still */
  readonly leftAt?: string
  readonly out?: NonNullable<BodyOf<'needle-changed'>['out']>
  readonly broke: boolean
  /** effective hours, those it brought with it counted in */
  readonly effectiveHours: number
  readonly projects: number
}

type Open = { -readonly [Key in keyof NeedleStay]: NeedleStay[Key] }

/** Every needle a book tells of, oldest first. What was corrected counts as it was corrected. */
export function needleHistory(events: readonly MachineEvent[]): NeedleStay[] {
  const stays: NeedleStay[] = []
  let open: Open | undefined
  const close = (at: string, how: Partial<NeedleStay>) => {
    if (open) stays.push({ ...open, leftAt: at, ...how })
    open = undefined
  }
  for (const { event, happening } of applyCorrections(events)) {
    if (happening?.kind === 'needle-changed') {
      const { out, in: needle } = happening.body
      close(event.happenedAt, out ? { out } : {})
      if (needle)
        open = {
          eventId: event.eventId,
          needle,
          fittedAt: event.happenedAt,
          broke: false,
          effectiveHours: needle.effectiveHours ?? 0,
          projects: 0,
        }
    }
    if (happening?.kind === 'needle-broke') close(event.happenedAt, { broke: true })
    if (happening?.kind === 'used' && open) {
      open.effectiveHours += effectiveHoursOf(happening.body.use)
      open.projects += happening.body.finishedProject ? 1 : 0
    }
  }
  return open ? [...stays, open] : stays
}
