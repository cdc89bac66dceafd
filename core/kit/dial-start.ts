import { HALF_WITHOUT_MACHINE, THREAD_OFFSET, type DialOffset } from '../knowledge/tension/dial'
import { firstThatHolds, rulesThatHold, sentence } from '../schema/rule'
import type { Facts, Rule } from '../knowledge/fact'
import { plain } from '../units/words'
import { dialUnit, nearestMark, type Dial } from '../units/dial'
import { threadDiameterMm, type Thread } from '../units/thread'
import type { KitQuestion } from './facts'
import type { Kit } from './request'

/** −2.3·ln(d_top ÷ d_bobbin) within ± 1.5: the same dial squeezes a thick thread harder. 0 for the same article. */
export function threadOffset(top: Thread, bobbin: Thread): number {
  const raw = THREAD_OFFSET.perLogRatio * Math.log(threadDiameterMm(top) / threadDiameterMm(bobbin))
  return Math.min(Math.max(raw, -THREAD_OFFSET.within), THREAD_OFFSET.within) + 0
}

const numberOf = (give: DialOffset, facts: Facts): number =>
  !('numbers' in give) ? 0 : typeof give.numbers === 'number' ? give.numbers : (facts[give.numbers] as number)
const wantsHalf = (rules: readonly Rule<DialOffset>[]): boolean => rules.some(({ give }) => 'half' in give)

/**
 * Where the dial starts: its base mark, moved by thread, cloth and stitch, on the machine's own scale.
 * @param facts must hold `stitchOf`, `twin`, `threadFibre` and `threadFinish` of the kit
 */
export function startingDial(
  dial: Dial | undefined,
  top: Thread,
  bobbin: Thread,
  facts: Facts,
  knowledge: KitQuestion['knowledge'],
): { readonly dial: Kit['dial']; readonly rules: readonly Rule<unknown>[]; readonly because: string } {
  const stitchRule = firstThatHolds(knowledge.stitchOffsets, facts)
  const shown = dial?.byStitch?.[String(facts['stitchOf'])]
  const stitchRules = shown === undefined ? [stitchRule] : []
  const rules = [
    ...rulesThatHold(knowledge.fabricOffsets, facts),
    ...rulesThatHold(knowledge.threadOffsets, facts),
    ...stitchRules,
  ]
  const fromThread = threadOffset(top, bobbin)
  const sum = rules.reduce((total, { give }) => total + numberOf(give, facts), fromThread)

  const unit = dial ? dialUnit(dial) : 1
  const base = shown ?? dial?.normal
  const half = dial && base !== undefined ? (dial.min + (base - dial.min) / 2 - base) / unit : HALF_WITHOUT_MACHINE
  const offset = wantsHalf(rules) ? Math.min(sum, half) : sum

  const said = rules.filter(({ give }) => !('numbers' in give) || numberOf(give, facts) !== 0)
  const parts = said.map((rule) => sentence(rule.because, facts))
  if (fromThread !== 0) parts.unshift(`${plain(top.tex)} over ${plain(bobbin.tex)} tex ${signed(fromThread)}`)
  const why =
    parts.length > 0 ? parts.join(', ') : 'same thread above and below, straight stitch, ordinary cloth: no offset'
  const decided = said.length > 0 ? said : [stitchRule]
  if (!dial || base === undefined) {
    return {
      dial: { offset },
      rules: decided,
      because: `From the machine’s normal mark: ${why}.`,
    }
  }
  const start = base + unit * offset
  const setting = nearestMark(dial, start, dial.min + unit, dial.max - unit)
  const clipped = start < dial.min + unit - 1e-9 || start > dial.max - unit + 1e-9
  const from = shown === undefined ? `normal ${plain(base)}` : `the ${plain(base)} this machine shows for the stitch`
  const reach = clipped
    ? ` ${plain(start)} would be too near the end of the dial, so ${plain(setting)} (between ${plain(dial.min + unit)} and ${plain(dial.max - unit)}).`
    : ''
  return {
    dial: { offset, setting, ...(clipped && { clipped: true }) },
    rules: decided,
    because: `Start at ${plain(setting)}: from ${from}, ${why}.${reach}`,
  }
}

const signed = (value: number): string => (value < 0 ? `−${plain(-value)}` : `+${plain(value)}`)
