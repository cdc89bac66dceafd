import { CAUTION_RULES } from '../knowledge/caution'
import { EXTRA_RULES } from '../knowledge/extra'
import { isTwin, POINTS, type NeedleSystem, type Point } from '../knowledge/needle'
import { plain, rulesThatHold, sentence, type Facts, type Rule } from '../knowledge/rule'
import { THREAD_REASONS } from '../knowledge/thread'
import { olderNumber, sizeText } from '../units/needle-size'
import { usualFinish, type Thread } from '../units/thread'
import { startingDial } from './dial-start'
import { kitQuestion, type KitQuestion } from './facts'
import { chooseFoot, choosePressure } from './foot-choice'
import { needleRefusal, stackLimits, systemOf, threadLimit, TWIN_MARGIN_MM } from './limits'
import { chooseSize, clothRange, finestForThread, pointsToTry, sizesFor, type NeedleCandidate } from './needle-choice'
import { needleFit } from './needle-fit'
import {
  LIMITS,
  type Kit,
  type KitAnswer,
  type KitRequest,
  type KitStock,
  type NeedleChoice,
  type Reason,
  type Refusal,
} from './request'
import { chooseStitch, type StitchChoice } from './stitch-choice'
import { chooseBobbin, planThread, type ThreadPlan } from './thread-choice'

/**
 * What goes in the bag for one project on one machine: ranked kits with a reason for every part, or refusals with the
 * exact limit and what would help. Pure; the request must fit its schema.
 */
export function computeKit(request: KitRequest): KitAnswer {
  const question = kitQuestion(request)
  const { machine } = request
  const refusals: Refusal[] = machine ? stackLimits(question, machine) : []
  const system = systemOf(machine)
  const stitch = chooseStitch(question.facts, machine)
  if ('refusals' in stitch) refusals.push(...stitch.refusals)
  const foot = chooseFoot(question.facts, machine, 'stitch' in stitch && stitch.stitch.iso !== '301')
  if ('refusal' in foot) refusals.push(foot.refusal)
  if ('refusal' in system) refusals.push(system.refusal)
  else refusals.push(...threadLimit(request.thread, system))

  const assumed = [...question.fabric.assumed]
  if (!machine) assumed.push({ field: 'machine', value: 'a household machine with all it may need' })
  if (!request.thread) assumed.push({ field: 'thread', value: 'chosen by the kit' })
  const refused = (all: readonly Refusal[]): KitAnswer => ({
    verdict: 'refused',
    kits: [],
    refusals: [...all].sort((a, b) => LIMITS.indexOf(a.limit) - LIMITS.indexOf(b.limit)),
    assumed,
  })
  if (refusals.length > 0 || 'refusal' in system || 'refusals' in stitch || 'refusal' in foot) return refused(refusals)

  const found = findNeedles(question, system)
  if ('refusal' in found) return refused([found.refusal])
  const kits = found.choices.map((choice) => assemble(question, system, stitch, foot, choice, found.choices))
  const ranked = rank(kits, found.choices)
  return { verdict: ranked[0]!.verdict, kits: ranked, refusals: [], assumed }
}

/** One way to sew it: a needle with a thread, in the order in which ways are offered when all else is equal. */
interface Choice {
  readonly needle: NeedleCandidate
  readonly gapMm?: number
  readonly rule: string
  readonly because: string
  readonly school?: string
  readonly firm?: true
  readonly thread: ThreadPlan
  /** another thread than the one asked for */
  readonly substituted?: Thread
}

function findNeedles(
  { request, facts }: KitQuestion,
  system: NeedleSystem,
): { readonly choices: readonly Choice[] } | { readonly refusal: Refusal } {
  const { machine, stock } = request
  const range = clothRange(facts)
  const proposals = pointsToTry(facts)
  const points = proposals.map(({ point }) => point)
  const none = () => ({ refusal: needleRefusal(points, range, system, machine) })
  const outside = machine && (range.raisedLow > machine.needleNm.max || range.up < machine.needleNm.min)
  if (outside && !points.includes('wing')) return none()

  const bounds = { range, machine: machine?.needleNm, system }
  const tryWith = (thread: ThreadPlan, substituted?: Thread): Choice[] =>
    proposals.flatMap(({ point, rule }): Choice[] => {
      const best = chooseSize(point, thread.candidates, bounds, facts, rule.give.sizeNm)
      const shelf = stock && best && !onShelf(stock, best) ? sizesOnShelf(stock, point) : []
      const shelved = shelf.length > 0 ? chooseSize(point, thread.candidates, { ...bounds, shelf }, facts) : undefined
      // What lies on the shelf is offered only where it is right for the cloth, not for lying there.
      const atHand = shelved?.marginal === false ? shelved : undefined
      return [atHand, best].flatMap((needle) =>
        needle
          ? [
              {
                needle,
                rule: rule.id,
                because: sentence(rule.because, { ...facts, threadTex: needle.thread.tex }),
                thread,
                ...(rule.school && { school: rule.school }),
                ...(rule.give.firm && { firm: true as const }),
                ...(substituted && { substituted }),
              },
            ]
          : [],
      )
    })

  const plan = planThread(request.thread, facts, stock)
  const asked = tryWith(plan)
  const conflict = request.thread && asked.length > 0 && asked.every(({ needle }) => needle.marginal)
  const ways = conflict || (request.thread && asked.length === 0) ? waysOut(asked) : asked
  const choices = machine
    ? ways.flatMap((choice) => withGap(choice, machine.maxWidthMm))
    : ways.flatMap((c) => withGap(c, 9))
  if (choices.length > 0) return { choices }
  const twinGap =
    ways.length > 0 && machine ? Math.min(...ways.flatMap(({ needle }) => gapsOf(needle.point))) : Infinity
  if (Number.isFinite(twinGap) && machine) {
    return {
      refusal: {
        limit: 'width',
        value: twinGap + TWIN_MARGIN_MM,
        allowed: machine.maxWidthMm,
        because: `A twin needle of ${plain(twinGap)} mm needs an opening for at least ${plain(twinGap + TWIN_MARGIN_MM)} mm of zigzag; the machine has ${plain(machine.maxWidthMm)} mm.`,
        wouldHelp: 'A machine with a wider zigzag, or two single rows.',
      },
    }
  }
  return none()

  /** Real conflict: the thread wants a larger eye than the cloth allows. A larger-eyed point, a finer thread, the price. */
  function waysOut(priced: readonly Choice[]): Choice[] {
    const ordinary = priced.find(({ needle }) => needle.point !== 'topstitch')
    const finest =
      ordinary &&
      finestForThread(ordinary.needle.point, sizesFor(ordinary.needle.point, bounds), ordinary.needle.thread)
    const largeEyed = priced.filter(
      ({ needle }) => needle.point === 'topstitch' && needle.bound !== 'tight' && needle.sizeNm < (finest ?? Infinity),
    )
    const { threadTex: _t, threadFibre: _f, threadFinish: _i, ...withoutThread } = facts
    const finer = tryWith(
      planThread(undefined, { ...withoutThread, threadGiven: false, thickThread: false }, stock),
      request.thread,
    )
      .filter(({ needle }) => !needle.marginal && needle.point !== 'topstitch')
      .slice(0, 1)
    return [...largeEyed, ...finer, ...priced.filter((choice) => !largeEyed.includes(choice))]
  }
}

const onShelf = (stock: KitStock, needle: { readonly point: Point; readonly sizeNm: number }): boolean =>
  stock.needles.some(({ point, sizeNm, count }) => point === needle.point && sizeNm === needle.sizeNm && count > 0)

const sizesOnShelf = (stock: KitStock, wanted: Point): number[] =>
  stock.needles.filter(({ point, count }) => point === wanted && count > 0).map(({ sizeNm }) => sizeNm)

const gapsOf = (point: Point): number[] => POINTS[point].gaps?.map(({ gapMm }) => gapMm) ?? []

/** Settles the gap of a twin: 2.5 mm or the next wider that exists in the size and passes the plate. */
function withGap(choice: Choice, maxWidthMm: number): Choice[] {
  const { point, sizeNm } = choice.needle
  if (!isTwin(point)) return [choice]
  const gaps = POINTS[point].gaps!.filter(
    (gap) => gap.sizesNm.includes(sizeNm) && gap.gapMm <= maxWidthMm - TWIN_MARGIN_MM,
  )
  const gap = gaps.find(({ gapMm }) => gapMm >= 2.5) ?? gaps.at(-1)
  return gap ? [{ ...choice, gapMm: gap.gapMm }] : []
}

function assemble(
  { request, facts }: KitQuestion,
  system: NeedleSystem,
  chosenStitch: StitchChoice,
  chosenFoot: { readonly foot: Kit['foot']; readonly reason: Reason },
  choice: Choice,
  all: readonly Choice[],
): Kit {
  const { machine, stock } = request
  const { needle } = choice
  const { point, sizeNm, thread } = needle
  const fit = needleFit({ point, sizeNm }, thread)
  const known: Facts = {
    ...facts,
    point,
    pointWords: POINTS[point].words,
    sizeNm,
    sizeText: sizeText(sizeNm),
    gapMm: choice.gapMm,
    twin: isTwin(point),
    threadTex: thread.tex,
    threadFibre: thread.fibre,
    threadFinish: thread.finish ?? usualFinish(thread.fibre),
    clearance: fit.clearance,
    stitchOf: chosenStitch.stitch.of,
    stitchIso: chosenStitch.stitch.iso,
    widthMm: chosenStitch.stitch.widthMm,
    straightPlateFits: machine?.straightPlate === true && chosenStitch.stitch.iso === '301' && !isTwin(point),
  }
  const bobbin = chooseBobbin(thread, known)
  const dial = startingDial(machine?.dial, thread, bobbin.thread, known)
  const pressure = choosePressure(known, machine)
  const extraRules = rulesThatHold(EXTRA_RULES, known)
  const cautionRules = firstOfEach(rulesThatHold(CAUTION_RULES, known), ({ give }) => give.caution)

  const needleInStock = !stock || onShelf(stock, needle)
  const inStock = needleInStock && choice.thread.inStock
  const missing = [
    !needleInStock && `${POINTS[point].words} ${sizeText(sizeNm)}`,
    !choice.thread.inStock && `${plain(thread.tex)} tex ${thread.fibre}`,
  ]
    .filter(Boolean)
    .join(' and ')
  const because = (text: string, short: boolean) => (short ? `${text} Not in stock: ${missing}.` : text)

  const oneSpool = isTwin(point) && machine !== undefined && machine.spoolPins < 2
  const marginal =
    needle.marginal ||
    fit.verdict === 'tight' ||
    chosenStitch.marginal ||
    oneSpool ||
    choice.substituted !== undefined ||
    cautionRules.some(({ give }) => give.marginal)

  const reasons: Reason[] = [
    {
      part: 'needle-point',
      rule: choice.rule,
      because: choice.because,
      ...(choice.school && { school: choice.school }),
    },
    { part: 'needle-size', rule: `bound-${needle.bound}`, because: because(needle.because, !needleInStock) },
    { part: 'thread', rule: choice.thread.rule, because: because(threadReason(choice, known), !choice.thread.inStock) },
    bobbin.reason,
    chosenFoot.reason,
    pressure.reason,
    { part: 'stitch', rule: chosenStitch.rule, because: chosenStitch.because },
    dial.reason,
    ...extraRules.map((rule) => spoken(rule.give.extra, rule, known)),
    ...cautionRules.map((rule) => spoken(rule.give.caution, rule, known)),
  ]
  return {
    verdict: marginal ? 'marginal' : 'good',
    needle: { system: system.name, ...named(choice) },
    alternates: all.filter((other) => other !== choice && other.substituted === undefined).map(named),
    topThread: thread,
    bobbinThread: bobbin.thread,
    fit: { clearance: fit.clearance, verdict: fit.verdict, eyeMm: fit.eyeMm, threadMm: fit.threadMm },
    foot: chosenFoot.foot,
    footPressure: pressure.pressure,
    stitch: chosenStitch.stitch,
    dial: dial.dial,
    extras: extraRules.map(({ give }) => give.extra),
    cautions: cautionRules.map(({ give }) => give.caution),
    ...(stock && { inStock }),
    reasons,
  }
}

const named = ({ needle: { point, sizeNm }, gapMm }: Choice): NeedleChoice => ({
  point,
  sizeNm,
  sizeUs: olderNumber(sizeNm),
  ...(gapMm !== undefined && { gapMm }),
})

const spoken = (part: string, rule: Rule<unknown>, facts: Facts): Reason => ({
  part,
  rule: rule.id,
  because: sentence(rule.because, facts),
})

function threadReason({ thread, needle, substituted }: Choice, facts: Facts): string {
  if (substituted) return sentence(THREAD_REASONS.substituted, { ...facts, askedTex: substituted.tex })
  const finer = thread.free && needle.thread !== thread.candidates[0]
  return [thread.because, sentence(finer ? THREAD_REASONS.finer : THREAD_REASONS.fits, facts)].join(' ')
}

const firstOfEach = <Row>(rows: readonly Row[], key: (row: Row) => string): Row[] =>
  [...new Map([...rows].reverse().map((row) => [key(row), row])).values()].reverse()

/**
 * Stock first, then good before marginal, then the order in which the ways were found. Where a firm point is right for
 * the cloth, no other overtakes it for fitting better.
 */
function rank(kits: readonly Kit[], choices: readonly Choice[]): Kit[] {
  const firm = choices.some((choice) => choice.firm)
  const grade = (index: number) => {
    const kit = kits[index]!
    const behind = kit.verdict === 'marginal' || (firm && !choices[index]!.firm)
    return (kit.inStock === false ? 2 : 0) + (behind ? 1 : 0)
  }
  return kits
    .map((kit, index) => ({ kit, grade: grade(index) }))
    .sort((a, b) => a.grade - b.grade)
    .map(({ kit }) => kit)
}
