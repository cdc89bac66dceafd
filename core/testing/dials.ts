import { GATES } from '../knowledge/tension/tension'
import { nextStep, type SwatchAt, type TensionQuestion } from '../tension/next-step'

export const ORDINARY_DIAL = { min: 0, max: 9, normal: 4, step: 0.5 }

/** What is next after these swatches of a straight stitch on an ordinary dial, for staff who have done everything before the dial. */
export const after = (swatches: readonly SwatchAt[], more: Partial<TensionQuestion> = {}) =>
  nextStep({
    dial: ORDINARY_DIAL,
    target: 'straight',
    done: [...GATES],
    swatches,
    role: 'staff',
    school: 'hands-on',
    bobbinScrew: false,
    ...more,
  })
