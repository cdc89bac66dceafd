import { AFTER_FAIL, type CheckGroup } from '../knowledge/check/check'
import { ifFailed } from '../machine/failed-step'
import type { IfFailed } from '../knowledge/check/seat-check'
import type { Symptom } from '../knowledge/fault/symptom'
import { SIGNS, type SwatchSign } from '../knowledge/tension/tension'
import type { Reading } from '../tension/reading'

/** Where the finder starts after a step of a check did not pass. */
export const SYMPTOM_OF_GROUP: Readonly<Record<CheckGroup, Symptom>> = {
  settings: 'wrong-stitch',
  threading: 'loops-under',
  needle: 'skipped',
  bobbin: 'bobbin-loose',
  raise: 'bobbin-will-not-come-up',
  'no-touch': 'popping',
  line: 'untidy',
  swatch: 'loops-under',
}

/** What follows from a step that did not pass: what to do at once, and where the finder begins. */
export interface AfterFail extends Pick<IfFailed, 'stops'> {
  readonly now: string
  readonly symptom: Symptom
}

export function afterFail(step: { readonly step: string; readonly group: CheckGroup }): AfterFail {
  const { stops, symptom = SYMPTOM_OF_GROUP[step.group], now = AFTER_FAIL[step.group] } = ifFailed(step)
  return { ...(stops && { stops }), symptom, now }
}

/** What a swatch says is wrong, in the finder's words; undefined when nothing is. */
export function symptomOfSwatch(reading: Reading, signs: readonly SwatchSign[]): Symptom | undefined {
  const sign = signs.map((each) => SIGNS[each].symptom).find((each) => each !== undefined)
  if (sign) return sign
  switch (reading) {
    case 'threading':
      return 'nest-at-start'
    case 'top-little-tight':
    case 'top-far-tight':
      return 'bobbin-on-top'
    case 'top-little-loose':
    case 'top-far-loose':
    case 'mixed':
      return 'loops-under'
    case 'balanced':
    case 'right-for-stitch':
    case 'as-near':
      return undefined
  }
}
