import { NEEDLE_CHANGE } from '../knowledge/check/needle-change'
import type { Traits } from '../knowledge/machine/trait'
import { checkFacts, stepsOf, type CheckStep } from './seat-check'

/** How the needle of exactly this machine is changed, power off first. */
export const needleChangeSteps = (traits: Traits): CheckStep[] => stepsOf(NEEDLE_CHANGE, checkFacts(traits, undefined))
