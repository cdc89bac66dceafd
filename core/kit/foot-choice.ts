import { FOOT_WISHES, PRESSURE_WISHES, type Foot, type FootPressure } from '../knowledge/foot'
import { firstThatHolds, sentence, type Facts } from '../knowledge/rule'
import type { KitMachine, Reason, Refusal } from './request'

/** The foot for the cloth, from those the machine has; a straight-stitch foot only ever for a straight stitch. */
export function chooseFoot(
  facts: Facts,
  machine: KitMachine | undefined,
  zigzags: boolean,
): { readonly foot: Foot; readonly reason: Reason } | { readonly refusal: Refusal } {
  const rule = firstThatHolds(FOOT_WISHES, facts)
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

  function chosen(foot: Foot, sentenceSaid: string) {
    return { foot, reason: { part: 'foot', rule: rule.id, because: sentenceSaid } }
  }
}

export function choosePressure(
  facts: Facts,
  machine: KitMachine | undefined,
): { readonly pressure: FootPressure; readonly reason: Reason } {
  const rule = firstThatHolds(PRESSURE_WISHES, facts)
  const because = sentence(rule.because, facts)
  const fixed = machine?.footPressure === 'fixed' && rule.give.pressure !== 'normal'
  return {
    pressure: fixed ? 'normal' : rule.give.pressure,
    reason: {
      part: 'foot-pressure',
      rule: rule.id,
      because: fixed
        ? `${because} This machine’s pressure is fixed, so it stays as it is: ${rule.give.lost}.`
        : because,
    },
  }
}
