import { needleSystem, sizesSold, type NeedleSystem, type Point } from '../knowledge/needle/needle'
import type { Knowledge } from '../knowledge/knowledge'
import { rulesThatHold, sentence } from '../schema/rule'
import type { Rule } from '../knowledge/fact'
import { named, plain } from '../units/words'
import { STACK_GUESSED } from '../knowledge/machine/stack-limit'
import { usualFinish, type Thread } from '../units/thread'
import { MOST_BEYOND, TWIN_MARGIN_MM, type ClothRange } from './needle-choice'
import type { KitMachine, Refusal } from './request'
import type { KitQuestion } from './facts'

/**
 * What the stack breaks of the machine's limits; nothing when no machine is asked about. Nothing is refused on a guess: of a
 * thickness that nobody measured the same is said as `doubts`.
 */
export function stackLimits({ facts, guessed, knowledge }: KitQuestion): {
  readonly refusals: readonly Refusal[]
  readonly doubts: readonly { readonly rule: Rule<unknown>; readonly because: string }[]
} {
  const broken = rulesThatHold(knowledge.stackLimits, facts)
  if (guessed.includes('thicknessMm')) {
    const doubts = broken.map((rule) => ({ rule, because: `${sentence(rule.because, facts)} ${STACK_GUESSED}` }))
    return { refusals: [], doubts }
  }
  const refusals = broken.map(({ give, because }): Refusal => ({
    limit: give.limit,
    value: facts['stackMm'] as number,
    allowed: facts[give.machine] as number,
    because: sentence(because, facts),
    wouldHelp: sentence(give.wouldHelp, facts),
  }))
  return { refusals, doubts: [] }
}

/** What the job would ruin of this cloth. */
export const fabricLimits = ({ facts, knowledge }: KitQuestion): Refusal[] =>
  rulesThatHold(knowledge.fabricLimits, facts).map(({ give, because }) => ({
    limit: 'fabric',
    value: String(facts['structure']),
    allowed: give.allowed,
    because: sentence(because, facts),
    wouldHelp: give.wouldHelp,
  }))

/** The shank system of the machine's needles; no machine: the household one. */
export function systemOf(
  machine: KitMachine | undefined,
  { systems, householdSystem }: Knowledge,
): NeedleSystem | { readonly refusal: Refusal } {
  if (!machine) return householdSystem
  const system = needleSystem(machine.needleSystem, systems)
  if (system) return system
  return {
    refusal: {
      limit: 'needle-system',
      value: machine.needleSystem,
      allowed: systems.map(({ name }) => name),
      because: `No needles of the system “${machine.needleSystem}” are in the catalogue, and another system is never close enough.`,
      wouldHelp: 'Check the system on the machine’s plate or in its manual, or add it to the needle catalogue.',
    },
  }
}

export function threadLimit(
  thread: Thread | undefined,
  system: NeedleSystem,
  { facts, request }: KitQuestion,
): Refusal[] {
  const own = request.machine?.heaviestTex !== undefined
  if (!thread || (!system.household && !own)) return []
  const heaviest = facts['heaviestBondedTex'] as number
  const bonded = (thread.finish ?? usualFinish(thread.fibre)) === 'bonded'
  if (!(bonded || own) || thread.tex <= heaviest) return []
  const what = own ? 'this machine’s card allows' : 'the heaviest bonded thread for a household machine'
  return [
    {
      limit: 'thread',
      value: thread.tex,
      allowed: heaviest,
      because: `${plain(thread.tex)} tex strains the machine; ${heaviest} is ${what}.`,
      wouldHelp: `Thread of ${heaviest} tex or less, or the walking-foot machine.`,
    },
  ]
}

/** Why no needle could be chosen at all. */
export function needleRefusal(
  points: readonly Point[],
  range: ClothRange,
  system: NeedleSystem,
  { request: { machine }, knowledge }: KitQuestion,
): Refusal {
  const sold = points.filter((point) => sizesSold(system, point, knowledge.points).length > 0)
  if (sold.length === 0) {
    return {
      limit: 'needle-system',
      value: points.map(named).join(' or '),
      allowed: Object.keys(system.sold),
      because: `This cloth wants a ${points.map(named).join(' or ')} point, and for system ${system.name} only ${Object.keys(system.sold).map(named).join(', ')} are made.`,
      wouldHelp: `A machine that takes ${knowledge.householdSystem.name} needles.`,
    }
  }
  const narrowest = Math.min(...sold.flatMap((point) => narrowestGap(knowledge.points[point])))
  if (machine && narrowest > machine.maxWidthMm - TWIN_MARGIN_MM) {
    return {
      limit: 'width',
      value: narrowest + TWIN_MARGIN_MM,
      allowed: machine.maxWidthMm,
      because: `A twin needle of ${plain(narrowest)} mm needs an opening for at least ${plain(narrowest + TWIN_MARGIN_MM)} mm of zigzag; the machine has ${plain(machine.maxWidthMm)} mm.`,
      wouldHelp: 'A machine with a wider zigzag, or two single rows.',
    }
  }
  if (machine) {
    const { min, max } = machine.needleNm
    const sizes = [...new Set(sold.flatMap((point) => sizesSold(system, point, knowledge.points)))]
    const [tooFine, tooThick] = [sizes.every((size) => size > max), sizes.every((size) => size < min)]
    const wantsThicker = tooFine || range.raisedLow > max + MOST_BEYOND
    if (wantsThicker || tooThick || range.up < min - MOST_BEYOND) {
      const wanted = tooFine ? Math.min(...sizes) : wantsThicker ? range.raisedLow : range.up
      return {
        limit: 'needle-size',
        value: wanted,
        allowed: wantsThicker ? max : min,
        because: `${range.because} The machine takes ${min} to ${max}, which is more than two steps off.`,
        wouldHelp: `A machine that takes a ${wanted} needle, or ${wantsThicker ? 'thinner layers' : 'thicker cloth'}.`,
      }
    }
  }
  return {
    limit: 'thread',
    value: 'thread',
    allowed: `needles ${sold.map(named).join(', ')} of ${machine ? `${machine.needleNm.min} to ${machine.needleNm.max}` : 'any size'}`,
    because: 'No needle that this cloth and machine take has an eye the thread could pass without shredding.',
    wouldHelp: 'A finer thread.',
  }
}

/** The narrowest gap that a twin is sold with; none for other points, which any plate lets through. */
const narrowestGap = ({ gaps }: Knowledge['points'][Point]): number[] =>
  gaps ? [Math.min(...gaps.map(({ gapMm }) => gapMm))] : [-Infinity]
