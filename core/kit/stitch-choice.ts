import { besides, firstThatHolds, rulesThatHold, sentence } from '../schema/rule'
import type { Rule } from '../knowledge/fact'
import { named, plain } from '../units/words'
import { LENGTH_REASONS, type Stitch } from '../knowledge/stitch/stitch'
import { nearestLengthMark } from '../units/length-marks'
import type { KitQuestion } from './facts'
import type { Kit, KitMachine, Refusal } from './request'

export interface StitchChoice {
  readonly stitch: Kit['stitch']
  /** a setting is out of this machine's reach, though the work can still be done */
  readonly marginal: boolean
  readonly rules: readonly Rule<unknown>[]
  readonly because: string
}

/** The widest zigzag to plan with when no machine is known. */
const ORDINARY_WIDTH_MM = 5

/**
 * The stitch with its length and width, fitted to what the machine reaches; or why this machine cannot sew it.
 * @param without stitches that are out of the question here
 */
export function chooseStitch(
  { facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>,
  machine: KitMachine | undefined,
  without: readonly Stitch[] = [],
): StitchChoice | { refusals: Refusal[] } {
  const kind = firstThatHolds(knowledge.stitchWishes, facts)
  const reachWidth = machine?.maxWidthMm ?? ORDINARY_WIDTH_MM
  const [narrow, wide] = kind.give.widthMm === 'widest' ? [2, reachWidth] : kind.give.widthMm
  const there = kind.give.of.filter(
    (stitch) => !without.includes(stitch) && (!machine || machine.stitches.includes(stitch)),
  )
  const of = there.find((stitch) => stitch === 'straight' || reachWidth >= narrow) ?? there[0]
  if (!of) {
    const needed = kind.give.of.map(named).join(' or ')
    return {
      refusals: [
        {
          limit: 'stitch',
          value: needed,
          allowed: machine?.stitches ?? [],
          because: `This job needs a ${needed} stitch and the machine has ${machine?.stitches.map(named).join(', ') || 'none'}.`,
          wouldHelp: `A machine with a ${needed} stitch.`,
        },
      ],
    }
  }
  const length = firstThatHolds(knowledge.lengthWishes, facts)
  const refusals: Refusal[] = []

  const straight = of === 'straight'
  if (!straight && reachWidth < narrow) {
    refusals.push({
      limit: 'width',
      value: narrow,
      allowed: reachWidth,
      because: `The stitch must be at least ${plain(narrow)} mm wide and the machine reaches ${plain(reachWidth)} mm.`,
      wouldHelp: `A machine with a zigzag of ${plain(narrow)} mm or more.`,
    })
  }
  const widthMm = straight ? 0 : kind.give.widthMm === 'widest' ? reachWidth : Math.min((narrow + wide) / 2, reachWidth)

  const [low, high] = length.give.lengthMm
  const reach = machine?.lengthMm ?? { min: 0, max: Infinity }
  const outOfReach = reach.max < low || reach.min > high
  if (length.give.essentialMm !== undefined && (reach.max < length.give.essentialMm || reach.min > high)) {
    refusals.push({
      limit: 'length',
      value: reach.max < low ? low : high,
      allowed: reach.max < low ? reach.max : reach.min,
      because: `${sentence(length.because, facts, { lengthLow: low, lengthHigh: high })} The machine makes ${plain(reach.min)} to ${plain(reach.max)} mm.`,
      wouldHelp: `A machine that reaches ${plain(low)} mm stitches.`,
    })
  }
  if (refusals.length > 0) return { refusals }

  const wanted = length.give.startMm ?? (low + high) / 2
  const reached = Math.min(Math.max(wanted, reach.min), reach.max)
  const marked = machine?.lengthMarks && nearestLengthMark(machine.lengthMarks, reached)
  const lengthMm = marked ? Math.min(Math.max(marked.lengthMm, reach.min), reach.max) : reached
  const spoken = {
    lengthLow: low,
    lengthHigh: high,
    lengthMm,
    reachLow: reach.min,
    reachHigh: reach.max,
    stitchesPerInch: lengthMm > 0 ? Math.round(25.4 / lengthMm) : 0,
  }
  const lengthReason = reached !== wanted ? 'fitted' : low === high || length.give.startMm ? 'start' : 'middle'
  const notes = rulesThatHold(knowledge.lengthNotes, besides(facts, { stitchOf: of, lengthMm }))
  const lock = firstThatHolds(knowledge.locks, besides(facts, { lockWished: kind.give.lock }))
  const because = [
    ...without.map((stitch) => `Of the feet here none leaves room for the needle of a ${named(stitch)} stitch.`),
    sentence((of !== kind.give.of[0] && kind.give.otherwise?.[of]) || kind.because, facts, spoken),
    sentence(lock.because, facts),
    sentence(length.because, facts, spoken),
    sentence(LENGTH_REASONS[lengthReason], facts, spoken),
    ...(marked ? [sentence(LENGTH_REASONS.mark, spoken, { lengthMark: marked.mark })] : []),
    ...notes.map((note) => sentence(note.because, facts)),
  ]
  return {
    stitch: {
      of,
      iso: straight ? '301' : '304',
      ...(kind.give.name && (!straight || kind.give.of[0] === 'straight') && { name: kind.give.name }),
      lengthMm,
      widthMm,
      ...(facts['needleAside'] === true && { aside: true as const }),
      lock: lock.give.lock,
      ...(marked && { lengthMark: marked.mark }),
    },
    marginal: outOfReach || kind.give.poor?.includes(of) === true,
    rules: [kind, lock, length, ...notes],
    because: because.join(' '),
  }
}
