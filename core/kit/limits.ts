import {
  HOUSEHOLD_SYSTEM,
  isTwin,
  needleSystem,
  NEEDLE_SYSTEMS,
  type NeedleSystem,
  type Point,
} from '../knowledge/needle'
import { plain } from '../knowledge/rule'
import { usualFinish, type Thread } from '../units/thread'
import type { ClothRange } from './needle-choice'
import type { KitMachine, Refusal } from './request'
import type { KitQuestion } from './facts'

/** The heaviest bonded thread for a household machine, in tex. Source: common practice. */
const HEAVIEST_BONDED_TEX = 70

export function stackLimits({ fabric, facts }: KitQuestion, machine: KitMachine): Refusal[] {
  const stackMm = facts['stackMm'] as number
  const layers = `${String(facts['crossingLayers'])} layers of ${plain(fabric.thicknessMm)} mm make ${plain(stackMm)} mm`
  const refusals: Refusal[] = []
  if (fabric.structure === 'leather' && stackMm > machine.maxLeatherMm) {
    refusals.push({
      limit: 'leather-stack',
      value: stackMm,
      allowed: machine.maxLeatherMm,
      because: `${layers} of leather and this machine pierces ${plain(machine.maxLeatherMm)} mm.`,
      wouldHelp:
        'Skive the edges thinner, punch and sew by hand, or use a walking-foot machine within what its manual allows.',
    })
  }
  if (stackMm > machine.maxStackMm) {
    refusals.push({
      limit: 'stack',
      value: stackMm,
      allowed: machine.maxStackMm,
      because: `${layers} and ${plain(machine.maxStackMm)} mm fits under this machine’s foot.`,
      wouldHelp: `Fewer layers at the crossing, or a machine that lifts ${plain(stackMm)} mm.`,
    })
  }
  return refusals
}

/** The shank system of the machine's needles; no machine: the household one. */
export function systemOf(machine: KitMachine | undefined): NeedleSystem | { readonly refusal: Refusal } {
  if (!machine) return HOUSEHOLD_SYSTEM
  const system = needleSystem(machine.needleSystem)
  if (system) return system
  return {
    refusal: {
      limit: 'needle-system',
      value: machine.needleSystem,
      allowed: NEEDLE_SYSTEMS.map(({ name }) => name),
      because: `No needles of the system “${machine.needleSystem}” are in the catalogue, and another system is never close enough.`,
      wouldHelp: 'Check the system on the machine’s plate or in its manual, or add it to the needle catalogue.',
    },
  }
}

export function threadLimit(thread: Thread | undefined, system: NeedleSystem): Refusal[] {
  if (!thread || !system.household) return []
  const bonded = (thread.finish ?? usualFinish(thread.fibre)) === 'bonded'
  if (!bonded || thread.tex <= HEAVIEST_BONDED_TEX) return []
  return [
    {
      limit: 'thread',
      value: thread.tex,
      allowed: HEAVIEST_BONDED_TEX,
      because: `${plain(thread.tex)} tex bonded thread strains a household machine; ${HEAVIEST_BONDED_TEX} is the heaviest.`,
      wouldHelp: `Bonded thread of ${HEAVIEST_BONDED_TEX} tex or less, or the walking-foot machine.`,
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
  machine: KitMachine | undefined,
): Refusal {
  const sold = points.filter((point) => (system.sold[point]?.length ?? 0) > 0)
  if (sold.length === 0) {
    return {
      limit: 'needle-system',
      value: points.join(' or '),
      allowed: Object.keys(system.sold),
      because: `This cloth wants a ${points.join(' or ')} point, and for system ${system.name} only ${Object.keys(system.sold).join(', ')} are made.`,
      wouldHelp: `A machine that takes ${HOUSEHOLD_SYSTEM.name} needles.`,
    }
  }
  const wanted = machine && range.raisedLow > machine.needleNm.max ? range.raisedLow : range.up
  const widths = machine ? [machine.needleNm.min, machine.needleNm.max] : []
  if (machine && (range.raisedLow > machine.needleNm.max || range.up < machine.needleNm.min || sold.some(isTwin))) {
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
