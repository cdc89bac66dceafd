import {
  AFTER_STRIKE,
  ANSWER,
  CAUSES,
  LAST_RESORT,
  OWN_CURES,
  SEW_AGAIN_SECONDS,
  SYMPTOM_CAUTIONS,
  type Cause,
} from '../knowledge/fault/fault'
import { CHECKS, type FaultCheck, type FaultCheckGiven } from '../knowledge/fault/fault-check'
import { EVIDENCE, JUST_NOW } from '../knowledge/fault/fault-evidence'
import { rulesThatHold, sentence } from '../schema/rule'
import type { Facts } from '../knowledge/fact'
import type { Symptom } from '../knowledge/fault/symptom'

/** What a room may know before anybody looks. */
export interface KnownOfFault {
  readonly needleHours?: number
  readonly bobbinsSinceClean?: number
  readonly threadedFootDown?: boolean
  readonly needlePoint?: string
  readonly fabricStructure?: string
  readonly threadAgeYears?: number
  readonly recentStrike?: boolean
  /** the kit before this one was sewn with the straight-stitch plate or foot */
  readonly straightPlateBefore?: boolean
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

export interface RankedCheck extends Pick<FaultCheckGiven, 'remedy' | 'how' | 'caution' | 'seconds' | 'who'> {
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
  const broken = symptom === 'needle-breaks' && !answers.some(({ check }) => check === 'needle-fragment')
  if (broken) chances.set('needle-fragment', chances.get('needle-fragment') ?? 0)
  const own = new Set(causes.filter(({ seldom }) => !seldom).map(({ check }) => check))
  if (broken) own.add('needle-fragment')
  // What was done just now speaks where its first check is one of the symptom's own: no strike sets another stitch.
  const now = rulesThatHold(JUST_NOW, { ...facts, symptom }).filter(({ give }) => own.has(give.checks[0]!))
  const order = now.flatMap(({ give }) => give.checks).filter((check) => own.has(check))
  const place = (check: FaultCheck) => (order.includes(check) ? order.indexOf(check) : order.length)
  const worth = ({ chance, seconds }: RankedCheck) => chance / (seconds + SEW_AGAIN_SECONDS)
  const ranked = [...chances]
    .filter(([check]) => !nothing.has(check))
    .map(([check, chance]): RankedCheck => {
      const { remedy, how, seconds, who } = CHECKS[check]
      return { check, remedy, how, seconds, chance, who }
    })
    .sort((a, b) => place(a.check) - place(b.check) || worth(b) - worth(a))
  // The technician comes last, whatever the odds, and hears what was tried.
  const inside = ranked
    .filter(({ check }) => check === 'service')
    .map((each) => ({ ...each, how: told(each.how, answers) }))
  const checks = [...ranked.filter(({ check }) => check !== 'service'), ...inside]
  return {
    stop: false,
    checks: checks.map((each, index) => {
      const caution = cautionOf(question, index, CHECKS[each.check].caution)
      return { ...each, ...(caution !== undefined && { caution }) }
    }),
    // The break itself needs no telling; what was done just now does.
    because: [...now.filter(({ id }) => id !== 'just-now-broke'), ...speaking].map((rule) =>
      sentence(rule.because, facts),
    ),
  }
}

/** How a technician is asked: with everything that was looked at. */
const told = (how: string, answers: readonly FaultAnswer[]): string => {
  const tried = answers.map(
    ({ check, found }) => `${CHECKS[check].title.toLowerCase()}${found ? ' (found, and not cured)' : ''}`,
  )
  return tried.length === 0 ? how : `${how} Say what was looked at: ${tried.join('; ')}.`
}

/** Whether a strike speaks of this symptom: where the needle is one of its own causes. */
const struckSays = (symptom: Symptom): boolean =>
  symptom !== 'electrical' && CAUSES[symptom].some(({ check, seldom }) => check === 'needle-condition' && !seldom)

/** A check's own caution, with what this symptom asks besides. */
function cautionOf({ symptom, known }: FaultQuestion, index: number, own: string | undefined): string | undefined {
  const of = SYMPTOM_CAUTIONS[symptom]
  const said = [
    index === 0 && known?.recentStrike === true && struckSays(symptom) && AFTER_STRIKE,
    of && (index === 0 || of.first === undefined) && of.said,
    own,
  ].filter((each): each is string => typeof each === 'string')
  return said.length === 0 ? undefined : [...new Set(said)].join(' ')
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
