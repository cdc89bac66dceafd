import type { Foot, FootPressure } from '../knowledge/foot'
import { firstThatHolds, sentence, type Facts, type Rule } from '../knowledge/rule'
import type { KitQuestion } from './facts'
import type { KitMachine, Refusal } from './request'

export interface FootChoice {
  readonly foot: Foot
  readonly rule: Rule<unknown>
  readonly because: string
  /** every foot that would have done, best first */
  readonly suits: readonly Foot[]
  /** without one of these the job is refused */
  readonly essential: boolean
}

/** The foot for the cloth, from those the machine has; a straight-stitch foot only ever for a straight stitch. */
export function chooseFoot(
  { facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>,
  machine: KitMachine | undefined,
  zigzags: boolean,
): FootChoice | { readonly refusal: Refusal } {
  const rule = firstThatHolds(knowledge.footWishes, facts)
  const wished = rule.give.feet.filter((foot) => !(zigzags && foot === 'straight'))
  const because = sentence(rule.because, facts)
  const found = wished.find((foot) => !machine || machine.feet.includes(foot))
  const plainFoot = machine?.feet.find((foot) => foot === 'standard' || foot === 'zigzag')
  if (machine?.evenFeed && wished[0] === 'walking' && found !== 'walking') {
    const foot = rule.give.essential && found ? found : (plainFoot ?? found)
    if (foot) return chosen(foot, `${because} The machine’s built-in even feed stands in for a walking foot.`)
  }
  if (found) return chosen(found, because)
  return {
    refusal: {
      limit: 'foot',
      value: wished.join(' or '),
      allowed: machine?.feet ?? [],
      because: `${because} The machine has ${machine?.feet.join(', ') || 'none'}.`,
      wouldHelp: `A ${wished.join(', ')} foot that fits this machine.`,
    },
  }

  function chosen(foot: Foot, sentenceSaid: string): FootChoice {
    return { foot, rule, because: sentenceSaid, suits: wished, essential: rule.give.essential ?? false }
  }
}

export function choosePressure(
  facts: Facts,
  machine: KitMachine | undefined,
  knowledge: KitQuestion['knowledge'],
): { readonly pressure: FootPressure; readonly rule: Rule<unknown>; readonly because: string } {
  const rule = firstThatHolds(knowledge.pressureWishes, facts)
  const because = sentence(rule.because, facts)
  const fixed = machine?.footPressure === 'fixed' && rule.give.pressure !== 'normal'
  return {
    pressure: fixed ? 'normal' : rule.give.pressure,
    rule,
    because: fixed ? `${because} This machine’s pressure is fixed, so it stays as it is: ${rule.give.lost}.` : because,
  }
}
