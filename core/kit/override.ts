import type { Static } from 'typebox'
import type { Foot } from '../knowledge/stitch/foot'
import { KNOWLEDGE, type Knowledge } from '../knowledge/knowledge'
import { isTwin, sizesSold } from '../knowledge/needle/needle'
import type { OverrideCheck } from '../knowledge/check/override-check'
import { rulesThatHold, sentence } from '../schema/rule'
import type { Facts } from '../knowledge/fact'
import { named, plain } from '../units/words'
import type { KitThread } from '../knowledge/thread/thread'
import type { OverrideSchema } from './kit-schema'
import { dialUnit } from '../units/dial'
import { olderNumber, sizeText } from '../units/needle-size'
import { usualFinish } from '../units/thread'
import { kitQuestion } from './facts'
import { chooseFoot } from './foot-choice'
import { twinWidth } from './kit'
import { needsWideOpening } from './opening'
import { systemOf } from './limits'
import { clothRange, TWIN_MARGIN_MM, vetoedPoints } from './needle-choice'
import { needleFit } from './needle-fit'
import type { Kit, KitRequest } from './request'

/** One part of a kit that a person chooses otherwise, with the reason they give. */
export type Override = Static<typeof OverrideSchema>
export type OverridePart = Override['part']

/** One thing that a choice breaks: `stop` cannot be kept at all, `note` is kept with the sentence beside it. */
export interface Break extends OverrideCheck {
  readonly rule: string
  readonly because: string
}

export interface Overridden {
  readonly kit: Kit
  readonly breaks: readonly Break[]
}

/**
 * The kit with its parts chosen otherwise, and everything that this breaks, whichever part was changed.
 * @param kit as `computeKit` answered this very request
 */
export function overrideKit(
  request: KitRequest,
  kit: Kit,
  overrides: readonly Override[],
  knowledge: Knowledge = KNOWLEDGE,
): Overridden {
  if (overrides.length === 0) return { kit, breaks: [] }
  const changed = overrides.reduce(withPart, kit)
  const fit = needleFit(changed.needle, changed.topThread, { points: knowledge.points, dropTests: request.dropTests })
  const before = breaksOf(request, kit, kit, kit.fit, knowledge).map(({ rule, because }) => `${rule} ${because}`)
  // What the kit had to live with anyway is no fault of the choice.
  const breaks = breaksOf(request, kit, changed, fit, knowledge).filter(
    ({ rule, because, severity }) => severity === 'stop' || !before.includes(`${rule} ${because}`),
  )
  const kept = overrides.map(({ part, because }) => ({
    part,
    because,
    instead: partWords(kit, part),
    breaks: breaks.filter((each) => each.part === part).map((each) => each.because),
  }))
  return {
    kit: {
      ...changed,
      fit: {
        clearance: fit.clearance,
        verdict: fit.verdict,
        eyeMm: fit.eyeMm,
        threadMm: fit.threadMm,
        ...(fit.dropTest && { dropTest: fit.dropTest.result }),
      },
      verdict: breaks.length > 0 ? 'marginal' : kit.verdict,
      reasons: kit.reasons.map((reason) => {
        const own = overrides.find(({ part }) => PARTS_OF_REASON[part].includes(reason.part))
        return own ? { part: reason.part, rule: 'override', because: own.because, source: 'house rule' } : reason
      }),
      overrides: kept,
    },
    breaks,
  }
}

/** Which reasons a changed part takes the place of. */
export const PARTS_OF_REASON: Readonly<Record<OverridePart, readonly string[]>> = {
  needle: ['needle-point', 'needle-size'],
  thread: ['thread'],
  bobbin: ['bobbin'],
  foot: ['foot'],
  pressure: ['foot-pressure'],
  stitch: ['stitch'],
  dial: ['dial'],
}

function withPart(kit: Kit, { part, value }: Override): Kit {
  switch (part) {
    case 'needle': {
      const { gapMm: _, ...needle } = kit.needle
      return { ...kit, needle: { ...needle, ...value, sizeUs: olderNumber(value.sizeNm) } }
    }
    case 'thread':
      return { ...kit, topThread: value }
    case 'bobbin':
      return { ...kit, bobbinThread: value }
    case 'foot':
      return { ...kit, foot: value }
    case 'pressure':
      return { ...kit, footPressure: value }
    case 'stitch': {
      const { lengthMark: _, ...stitch } = kit.stitch
      return { ...kit, stitch: { ...stitch, ...value } }
    }
    case 'dial':
      return { ...kit, dial: { ...kit.dial, setting: value } }
  }
}

/** A part of a kit in words, as it was before it was changed. */
export function partWords(kit: Kit, part: OverridePart): string {
  const thread = ({ tex, fibre, finish }: KitThread) => `${plain(tex)} tex ${finish ?? usualFinish(fibre)} ${fibre}`
  switch (part) {
    case 'needle':
      return `${kit.needle.point} ${sizeText(kit.needle.sizeNm)}${kit.needle.gapMm ? `, ${plain(kit.needle.gapMm)} mm apart` : ''}`
    case 'thread':
      return thread(kit.topThread)
    case 'bobbin':
      return thread(kit.bobbinThread)
    case 'foot':
      return kit.foot
    case 'pressure':
      return kit.footPressure
    case 'stitch':
      return `${plain(kit.stitch.lengthMm)} mm long, ${plain(kit.stitch.widthMm)} mm wide`
    case 'dial':
      return kit.dial.setting === undefined ? 'not set' : plain(kit.dial.setting)
  }
}

function breaksOf(
  request: KitRequest,
  before: Kit,
  kit: Kit,
  fit: Pick<ReturnType<typeof needleFit>, 'verdict' | 'clearance'>,
  knowledge: Knowledge,
): Break[] {
  const question = kitQuestion(request, knowledge)
  const { machine } = request
  const point = kit.needle.point
  const kind = knowledge.points[point]
  const system = systemOf(machine, knowledge)
  const range = clothRange(question)
  const { finish = usualFinish(kit.topThread.fibre), fibre, tex } = kit.topThread
  const wideOpening = needsWideOpening(kit.stitch, kind, machine?.maxWidthMm)
  const wishes = chooseFoot(question, machine, wideOpening)
  const plateMm = machine?.maxWidthMm
  const start = before.dial.setting
  const { gapMm } = kit.needle
  const gapSold =
    !isTwin(kind) || kind.gaps!.some((gap) => gap.gapMm === gapMm && gap.sizesNm.includes(kit.needle.sizeNm))
  const facts: Facts = {
    ...question.facts,
    point,
    pointWords: kind.words,
    sizeNm: kit.needle.sizeNm,
    sizeText: sizeText(kit.needle.sizeNm),
    system: kit.needle.system,
    sold: !('refusal' in system) && gapSold && sizesSold(system, point, knowledge.points).includes(kit.needle.sizeNm),
    household: !('refusal' in system) && system.household,
    vetoed: vetoedPoints(question).has(point),
    holeWanted: kind.holeWanted ?? false,
    machineFinestNm: machine?.needleNm.min,
    machineThickestNm: machine?.needleNm.max,
    raisedLow: range.raisedLow,
    up: range.up,
    twin: isTwin(kind),
    gapMm,
    widestGapMm: plateMm === undefined ? undefined : plateMm - TWIN_MARGIN_MM,
    twinWidthMm: plateMm !== undefined && gapMm !== undefined ? twinWidth(plateMm, gapMm) : undefined,
    threadTex: tex,
    threadFibre: fibre,
    threadFinish: finish,
    threadKinds: [fibre, finish],
    threadRatio: ratio(tex, kit.bobbinThread.tex),
    fitVerdict: fit.verdict,
    clearance: fit.clearance,
    foot: kit.foot,
    wideOpening,
    footThere: machine ? machine.feet.includes(kit.foot) : true,
    footSuits: footSuits(wishes, kit.foot),
    footWanted: 'refusal' in wishes ? String(wishes.refusal.value) : wishes.suits.map(named).join(' or '),
    footPressure: kit.footPressure,
    pressureFixed: machine?.footPressure === 'fixed',
    lengthMm: kit.stitch.lengthMm,
    widthMm: kit.stitch.widthMm,
    stitchIso: kit.stitch.iso,
    reachWidthMm: plateMm,
    reachLow: machine?.lengthMm.min,
    reachHigh: machine?.lengthMm.max,
    setting: kit.dial.setting,
    dialMin: machine?.dial.min,
    dialMax: machine?.dial.max,
    dialMoved:
      machine && start !== undefined && kit.dial.setting !== undefined
        ? Math.abs(kit.dial.setting - start) / dialUnit(machine.dial)
        : undefined,
  }
  const notes = kit.stitch === before.stitch ? [] : rulesThatHold(knowledge.lengthNotes, facts)
  return [
    ...rulesThatHold(knowledge.overrideChecks, facts).map((rule): Break => ({
      ...rule.give,
      rule: rule.id,
      because: sentence(rule.because, facts),
    })),
    ...notes.map((rule): Break => ({
      part: 'stitch',
      severity: 'note',
      rule: rule.id,
      because: sentence(rule.because, facts),
    })),
  ]
}

const ratio = (a: number, b: number): number => Math.max(a, b) / Math.min(a, b)

/** A foot that is not among those wished for breaks something only where the wish was more than a preference. */
const footSuits = (wishes: ReturnType<typeof chooseFoot>, foot: Foot): boolean =>
  'refusal' in wishes || wishes.suits.includes(foot) || wishes.foot === foot || !wishes.wanted
