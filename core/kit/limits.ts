import { isTwin, needleSystem, sizesSold, type NeedleSystem, type Point } from '../knowledge/needle'
import type { Knowledge } from '../knowledge/knowledge'
import { plain, rulesThatHold, sentence } from '../knowledge/rule'
import { usualFinish, type Thread } from '../units/thread'
import type { ClothRange } from './needle-choice'
import type { KitMachine, Refusal } from './request'
import type { KitQuestion } from './facts'

/** What the stack breaks of the machine's limits; nothing when no machine is asked about. */
export const stackLimits = ({ facts, knowledge }: KitQuestion): Refusal[] =>
  rulesThatHold(knowledge.stackLimits, facts).map(({ give, because }) => ({
    limit: give.limit,
    value: facts['stackMm'] as number,
    allowed: facts[give.machine] as number,
    because: sentence(because, facts),
    wouldHelp: sentence(give.wouldHelp, facts),
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

/** A twin needle needs a zigzag opening at least 1 mm wider than its gap. */
export const TWIN_MARGIN_MM = 1

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
      value: points.join(' or '),
      allowed: Object.keys(system.sold),
      because: `This cloth wants a ${points.join(' or ')} point, and for system ${system.name} only ${Object.keys(system.sold).join(', ')} are made.`,
      wouldHelp: `A machine that takes ${knowledge.householdSystem.name} needles.`,
    }
  }
  const wanted = machine && range.raisedLow > machine.needleNm.max ? range.raisedLow : range.up
  const widths = machine ? [machine.needleNm.min, machine.needleNm.max] : []
  if (
    machine &&
    (range.raisedLow > machine.needleNm.max ||
      range.up < machine.needleNm.min ||
      sold.some((point) => isTwin(knowledge.points[point])))
  ) {
    return {
      limit: 'needle-size',
      value: wanted,
      allowed: range.raisedLow > machine.needleNm.max ? machine.needleNm.max : machine.needleNm.min,
      because: `${range.because} The machine takes ${widths.join(' to ')}.`,
      wouldHelp: `A machine that takes a ${wanted} needle, or ${wanted > machine.needleNm.max ? 'thinner layers' : 'thicker cloth'}.`,
    }
  }
  return {
    limit: 'thread',
    value: 'thread',
    allowed: `needles ${sold.join(', ')} of ${widths.join(' to ') || 'any size'}`,
    because: 'No needle that this cloth and machine take has an eye the thread could pass without shredding.',
    wouldHelp: 'A finer thread.',
  }
}
