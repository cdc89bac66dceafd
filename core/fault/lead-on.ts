import { AFTER_FAIL, type CheckGroup } from '../knowledge/check/check'
import { ifFailed } from '../machine/failed-step'
import type { IfFailed } from '../knowledge/check/seat-check'
import type { FaultCheck } from '../knowledge/fault/fault-check'
import type { Symptom } from '../knowledge/fault/symptom'
import type { SwatchSign } from '../knowledge/tension/tension'
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

const SYMPTOM_OF_SIGN: Readonly<Partial<Record<SwatchSign, Symptom>>> = {
  skipped: 'skipped',
  shredding: 'thread-breaks',
  puckered: 'puckers',
  ridge: 'tunnelling',
}

/** What a swatch says is wrong, in the finder's words; undefined when nothing is. */
export function symptomOfSwatch(reading: Reading, signs: readonly SwatchSign[]): Symptom | undefined {
  const sign = signs.map((each) => SYMPTOM_OF_SIGN[each]).find((each) => each !== undefined)
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

/** Which steps of the seat check are this machine's own way of doing a check. */
export const STEPS_OF_CHECK: Readonly<Partial<Record<FaultCheck, readonly string[]>>> = {
  'rethread-foot-up': ['foot-up', 'spool-', 'discs-', 'take-up-', 'eye', 'tug'],
  'spool-path': ['spool-'],
  'take-up': ['take-up-', 'needle-top-'],
  'needle-seated': ['flat', 'round-shank', 'needle-seated'],
  'bobbin-seated': ['bobbin-'],
  'tails-held': ['tails', 'raise'],
  'dial-at-normal': ['dial-'],
  'winder-engaged': ['winder-'],
  'feed-dogs': ['dogs-'],
  'length-not-zero': ['length', 'stitch-mark'],
  'foot-down': ['foot-down'],
  'plate-and-foot': ['no-touch', 'width'],
}
