import { named } from '../units/words'
import { EVEN_FEED, type Foot, type FootPressure } from '../knowledge/stitch/foot'
import { firstThatHolds, sentence } from '../schema/rule'
import type { Facts, Rule } from '../knowledge/fact'
import type { KitQuestion } from './facts'
import type { KitMachine, Refusal } from './request'

export interface FootChoice {
  readonly foot: Foot
  readonly rule: Rule<unknown>
  readonly because: string
  /** every foot that would have done, best first */
  readonly suits: readonly Foot[]
  /** the job or the cloth really wants one of these */
  readonly wanted: boolean
  /** none of them is there, so the eye and the hand do its work: marginal */
  readonly byEye: boolean
}

/** Feet that do any plain work, best first. */
const PLAIN: readonly Foot[] = ['standard', 'zigzag', 'straight']

/**
 * The foot for the cloth and the job, from those the machine has; a straight-stitch foot never where a needle would strike it.
 * Where a special foot is missing a plain one stands in and the reason says what the eye does; never another special foot.
 */
export function chooseFoot(
  { facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>,
  machine: KitMachine | undefined,
  wide: boolean,
): FootChoice | { readonly refusal: Refusal } {
  const rule = firstThatHolds(knowledge.footWishes, facts)
  const fits = (foot: Foot) => !(wide && foot === 'straight') && (!machine || machine.feet.includes(foot))
  const { feet, missing, otherwise, essential, standIns = [] } = rule.give
  const suits = feet.filter((foot) => !(wide && foot === 'straight'))
  const said = (foot: Foot) =>
    sentence(foot === suits[0] || otherwise === undefined ? rule.because : otherwise, facts, { foot })
  const chosen = (foot: Foot, because: string, byEye = false): FootChoice => ({
    foot,
    rule,
    because,
    suits,
    byEye,
    wanted: missing !== undefined || essential === true,
  })
  const found = suits.find(fits)
  const plainFoot = PLAIN.find(fits)
  if (machine?.evenFeed && suits[0] === 'walking' && found !== 'walking') {
    const foot = missing !== undefined ? found : (plainFoot ?? found)
    if (foot) return chosen(foot, sentence(EVEN_FEED, { foot }))
  }
  if (found) return chosen(found, said(found))
  // For plain work whatever foot presses the cloth down will do.
  const standIn = essential ? undefined : (plainFoot ?? standIns.find(fits))
  if (standIn) return chosen(standIn, missing === undefined ? said(standIn) : missing, missing !== undefined)
  return {
    refusal: {
      limit: 'foot',
      value: suits.map(named).join(' or '),
      allowed: machine?.feet ?? [],
      because: `${sentence(rule.because, facts, { foot: suits[0] })} The machine has ${machine?.feet.map(named).join(', ') || 'none'}.`,
      wouldHelp: `A ${suits.map(named).join(' or ')} foot that fits this machine.`,
    },
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
