import { effectiveHoursOf } from '../wear/wear'
import type { Fitting, MachineState, NeedleStay } from './state'

/** What one needle has done in a machine so far. */
export const stayOf = ({ eventId, needle, fittedAt, uses, projects }: Fitting): NeedleStay => ({
  eventId,
  needle,
  fittedAt,
  broke: false,
  effectiveHours: uses.reduce((sum, use) => sum + effectiveHoursOf(use), needle.effectiveHours ?? 0),
  projects,
})

/** The last needles of a machine, oldest first; the one that is in it now, if there is one, ends them. */
export const needlesOf = ({ needlesBefore = [], fitting }: MachineState): NeedleStay[] =>
  fitting ? [...needlesBefore, stayOf(fitting)] : [...needlesBefore]
