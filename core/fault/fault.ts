import {
  ANSWER,
  CAUSES,
  CHECKS,
  EVIDENCE,
  LAST_RESORT,
  OWN_CURES,
  SEW_AGAIN_SECONDS,
  type Cause,
  type FaultCheck,
  type FaultCheckGiven,
} from '../knowledge/fault'
import { rulesThatHold, sentence, type Facts } from '../knowledge/rule'
import type { Symptom } from '../knowledge/symptom'

/** What a room may know before anybody looks. */
export interface KnownOfFault {
  readonly needleHours?: number
  readonly bobbinsSinceClean?: number
  readonly threadedFootDown?: boolean
  readonly needlePoint?: string
  readonly fabricStructure?: string
  readonly threadAgeYears?: number
  readonly recentStrike?: boolean
  /** somebody just saw that the foot stands up */
  readonly footUp?: boolean
}

export interface FaultAnswer {
  readonly check: FaultCheck
  readonly found: boolean
}

export interface FaultQuestion {
  readonly symptom: Symptom
  readonly known?: KnownOfFault
  readonly answers?: readonly FaultAnswer[]
  /** what cured this symptom in this room before: how often each check found it */
  readonly cures?: Readonly<Partial<Record<FaultCheck, number>>>
}

export interface RankedCheck extends Pick<FaultCheckGiven, 'remedy' | 'seconds' | 'who'> {
  readonly check: FaultCheck
  /** that it finds the cause, 0…1 */
  readonly chance: number
}

export interface FaultAdvice {
  /** no check may be offered: unplug, red tag, licensed repair */
  readonly stop: boolean
  /** best first */
  readonly checks: readonly RankedCheck[]
  /** the facts that spoke, as sentences */
  readonly because: readonly string[]
}

/**
 * Ranks what to look at next by the chance that it finds the cause over the time it takes, a line sewn again counted in;
 * naive Bayes from what is known and what was answered. A check that found nothing leaves the list. After a break the first
 * is always that every piece is found. Electrical symptoms stop at once.
 * Source: common practice; likelihoods are judgement, kept within 0.02 … 0.98.
 */
export function findFault(question: FaultQuestion): FaultAdvice {
  const { symptom, known = {}, answers = [] } = question
  if (symptom === 'electrical') {
    return { stop: true, checks: [], because: ['Stop, unplug at the wall, red tag: a licensed repairer looks at it.'] }
  }
  const causes = [...CAUSES[symptom], LAST_RESORT]
  const facts = known as Facts
  const speaking = rulesThatHold(EVIDENCE, facts).filter(({ give }) =>
    causes.some(({ cause }) => give.causes.includes(cause)),
  )
  const prior = priorOf(causes, question.cures ?? {})
  const weights = causes.map(({ cause, check }, index) => {
    let weight = prior[index]!
    for (const { give } of speaking) weight *= give.causes.includes(cause) ? give.withIt : give.without
    for (const answer of answers) {
      const finds = answer.check === check ? ANSWER.foundIfSo : ANSWER.foundIfNot
      weight *= answer.found ? finds : 1 - finds
    }
    return weight
  })
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const chances = new Map<FaultCheck, number>()
  causes.forEach(({ check }, index) => chances.set(check, (chances.get(check) ?? 0) + weights[index]! / total))
  const nothing = new Set(answers.filter(({ found }) => !found).map(({ check }) => check))
  const first = symptom === 'needle-breaks' && !answers.some(({ check }) => check === 'needle-fragment')
  if (first) chances.set('needle-fragment', chances.get('needle-fragment') ?? 0)
  const worth = ({ check, chance, seconds }: RankedCheck) =>
    first && check === 'needle-fragment' ? Infinity : chance / (seconds + SEW_AGAIN_SECONDS)
  return {
    stop: false,
    checks: [...chances]
      .filter(([check]) => !nothing.has(check))
      .map(([check, chance]): RankedCheck => {
        const { remedy, seconds, who } = CHECKS[check]
        return { check, remedy, seconds, chance, who }
      })
      .sort((a, b) => worth(b) - worth(a)),
    because: speaking.map((rule) => sentence(rule.because, facts)),
  }
}

/** What the field says, moved towards what this room has found by as many cures as it has had. */
function priorOf(causes: readonly Cause[], cures: NonNullable<FaultQuestion['cures']>): number[] {
  const sum = causes.reduce((total, { weight }) => total + weight, 0)
  const ofCheck = (check: FaultCheck) =>
    causes.reduce((total, each) => total + (each.check === check ? each.weight : 0), 0)
  return causes.map(({ check, weight }) => {
    // A check's cures are shared among its causes as the field shares them.
    const own = (cures[check] ?? 0) * (weight / ofCheck(check))
    return (weight / sum) * OWN_CURES + own
  })
}
