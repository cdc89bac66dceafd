import {
  HOUSEHOLD_SYSTEM,
  isLargestEyed,
  isTwin,
  sizesSold,
  systemKey,
  type NeedleSystem,
  type Point,
} from '../knowledge/needle/needle'
import { KNOWLEDGE, type Knowledge } from '../knowledge/knowledge'
import { restsOn, rulesThatHold, sentence } from '../schema/rule'
import type { Facts, GatheredFacts, Rule } from '../knowledge/fact'
import { capital, named, plain } from '../units/words'
import { THREAD_REASONS } from '../knowledge/thread/thread'
import { olderNumber, sizeText } from '../units/needle-size'
import { usualFinish, type Thread } from '../units/thread'
import { startingDial } from './dial-start'
import { guessSaid, kitQuestion, type KitQuestion } from './facts'
import { needsWideOpening } from './opening'
import { chooseFoot, choosePressure, type FootChoice } from './foot-choice'
import { fabricLimits, needleRefusal, stackLimits, systemOf, threadLimit } from './limits'
import {
  chooseSize,
  clothRange,
  finerReason,
  finestForThread,
  gapsThatPass,
  pointsToTry,
  sizesFor,
  type ClothRange,
  type NeedleCandidate,
} from './needle-choice'
import { needleFit, type FitKnowledge } from './needle-fit'
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
export function computeKit(asked: KitRequest, knowledge: Knowledge = KNOWLEDGE): KitAnswer {
  const request = withOwnNeedles(asked)
  const question = kitQuestion(request, knowledge)
  const { machine } = request
  const stack = stackLimits(question)
  const refusals: Refusal[] = [...stack.refusals, ...fabricLimits(question)]
  const system = systemOf(machine, knowledge)
  const wished = chooseStitch(question, machine)
  const proposals = pointsToTry(question)
  const { stitch, foot } = withFoot(wished, question, proposals)
  if ('refusals' in stitch) refusals.push(...stitch.refusals)
  if ('refusal' in foot) refusals.push(foot.refusal)
  if ('refusal' in system) refusals.push(system.refusal)
  else refusals.push(...threadLimit(request.thread, system, question))

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

  const found = findNeedles(question, system, proposals)
  if ('refusal' in found) return refused([found.refusal])
  // One object for all the ways: each sets every fact of its own anew, and copying some fifty facts a way costs more than
  // all the rules.
  const known: GatheredFacts = { ...question.facts }
  const settled = { system, stitch, foot, doubts: stack.doubts }
  const kits = found.choices.map((choice) => assemble(question, known, settled, choice, found.choices))
  const ranked = rank(kits, found.choices)
  return { verdict: ranked[0]!.verdict, kits: ranked, refusals: [], assumed }
}

/** One way to sew it: a needle with a thread, in the order in which ways are offered when all else is equal. */
interface Choice {
  readonly needle: NeedleCandidate
  readonly gapMm?: number
  readonly rule: Rule<unknown>
  readonly because: string
  /** what decided the sizes that the cloth allows */
  readonly range: ClothRange
  readonly thread: ThreadPlan
  /** another thread than the one asked for, which no needle lets through where it is `alone` */
  readonly substituted?: { readonly asked: Thread; readonly alone: boolean }
}

/**
 * The foot for a stitch. Where the only foot there is has one small hole, a needle that would stand aside stays in the middle if
 * the line can be guided there as well (beside the teeth of a zip it cannot), and a stitch that swings gives way to the next that
 * does the job.
 */
function withFoot(
  stitch: ReturnType<typeof chooseStitch>,
  question: KitQuestion,
  proposals: ReturnType<typeof pointsToTry>,
  without: readonly Kit['stitch']['of'][] = [],
): { readonly stitch: ReturnType<typeof chooseStitch>; readonly foot: ReturnType<typeof chooseFoot> } {
  const { knowledge, request, facts } = question
  const { machine } = request
  const wide = (sewn: StitchChoice['stitch'] | undefined) =>
    proposals.some(({ point }) => needsWideOpening(sewn, knowledge.points[point]))
  const foot = chooseFoot(question, machine, wide('stitch' in stitch ? stitch.stitch : undefined))
  if (!('refusal' in foot) || !('stitch' in stitch)) return { stitch, foot }
  if (stitch.stitch.aside && facts['middleWillDo'] === true) {
    const { aside: _, ...middle } = stitch.stitch
    const inTheMiddle = chooseFoot(question, machine, wide(middle))
    if (!('refusal' in inTheMiddle)) return { stitch: { ...stitch, stitch: middle }, foot: inTheMiddle }
  }
  const tried = [...without, stitch.stitch.of]
  const next = chooseStitch(question, machine, tried)
  if (!('stitch' in next)) return { stitch, foot }
  const other = withFoot(next, question, proposals, tried)
  return 'refusal' in other.foot ? { stitch, foot } : other
}

/** What holds for every way to sew it. */
interface Settled {
  readonly system: NeedleSystem
  readonly stitch: StitchChoice
  readonly foot: FootChoice
  /** limits that only a guess breaks */
  readonly doubts: ReturnType<typeof stackLimits>['doubts']
}

function findNeedles(
  question: KitQuestion,
  system: NeedleSystem,
  proposals: ReturnType<typeof pointsToTry>,
): { readonly choices: readonly Choice[] } | { readonly refusal: Refusal } {
  const { request, facts, knowledge } = question
  const { machine, stock } = request
  const range = clothRange(question)
  const fit: FitKnowledge = { points: knowledge.points, dropTests: request.dropTests }
  const isLargest = (point: Point) => isLargestEyed(knowledge.points[point])
  const isGuess = (rule: Rule<unknown> | undefined) =>
    rule !== undefined && question.guessed.some((fact) => restsOn(rule).has(fact))
  // Nothing is refused for being too far off by a guess: neither by the cloth's own row nor by what its crossing adds.
  const firmLow = isGuess(range.rules[0]) ? 0 : isGuess(range.rules[1]) ? range.low : range.raisedLow
  const firmUp = isGuess(range.rules[0]) ? Infinity : range.up
  const bounds = { range, firm: { low: firmLow, up: firmUp }, fit, machine, system }
  const asked = tryWith(facts, proposals, planThread(request.thread, question, stock))
  // Where no point for the thread is made in the shank, another machine helps, and not another thread.
  const made = proposals.some(({ point }) => sizesSold(system, point, knowledge.points).length > 0)
  const conflict = request.thread && made && asked.every(({ needle }) => needle.marginal)
  const ways = [...(conflict ? waysOut(asked) : asked), ...finerWay()]
  const choices = ways.map((choice) => withGap(choice, machine?.maxWidthMm ?? WIDEST_PLATE_MM, knowledge))
  if (choices.length > 0) return { choices }
  return {
    refusal: needleRefusal(
      proposals.map(({ point }) => point),
      range,
      system,
      question,
    ),
  }

  function tryWith(
    known: Facts,
    points: typeof proposals,
    thread: ThreadPlan,
    more: Pick<Choice, 'substituted'> = {},
  ): Choice[] {
    return points.flatMap((proposal) => {
      const { point, rule } = proposal
      const best = chooseSize(point, thread.candidates, bounds, known, rule.give.sizeNm)
      const shelf = stock && best && !onShelf(stock, best) ? sizesOnShelf(stock, point) : []
      const shelved = shelf.length > 0 ? chooseSize(point, thread.candidates, { ...bounds, shelf }, known) : undefined
      // What lies on the shelf is offered only where it is right for the cloth, not for lying there.
      const atHand = shelved?.marginal === false ? shelved : undefined
      return [atHand, best].flatMap((needle) => (needle ? [choiceOf(needle, proposal, known, thread, more)] : []))
    })
  }

  function choiceOf(
    needle: NeedleCandidate,
    { point, rule }: (typeof proposals)[number],
    known: Facts,
    thread: ThreadPlan,
    more: Pick<Choice, 'substituted'> = {},
  ): Choice {
    const because = rule.give.otherwise?.[point] ?? rule.because
    return {
      needle,
      // What is said of another point than the first is no way of this room.
      rule: because === rule.because ? rule : withoutSchool(rule),
      because: sentence(because, known, { threadTex: needle.thread.tex, pointWords: knowledge.points[point].words }),
      thread,
      range,
      ...more,
    }
  }

  /** A light cloth is sewn with a finer needle and thread as well, if nobody asked for a thread. */
  function finerWay(): Choice[] {
    const { finer } = range
    const first = proposals[0]
    if (!finer || request.thread || !first) return []
    const fine = { ...range, low: finer.low, raisedLow: finer.low, up: finer.up }
    const wishes = { ...knowledge, threadWishes: knowledge.finerThreadWishes }
    const thread = planThread(undefined, { facts, knowledge: wishes }, stock)
    const needle = chooseSize(first.point, thread.candidates, { ...bounds, range: fine }, facts)
    if (!needle || needle.marginal || asked.some((way) => way.needle.sizeNm === needle.sizeNm)) return []
    return [choiceOf({ ...needle, bound: 'finer', because: finerReason(range, needle, facts) }, first, facts, thread)]
  }

  /** Real conflict: the thread wants a larger eye than the cloth allows, or a point that is not made for it. A larger-eyed point, the price, another thread. */
  function waysOut(priced: readonly Choice[]): Choice[] {
    const ordinary = priced.find(({ needle }) => !isLargest(needle.point))
    const finest =
      ordinary &&
      finestForThread(ordinary.needle.point, sizesFor(ordinary.needle.point, bounds), ordinary.needle.thread, fit)
    const largeEyed = priced.filter(({ needle }) => isLargest(needle.point) && needle.sizeNm <= (finest ?? Infinity))
    const { thread: asks, ...withoutThread } = request
    const anyThread = kitQuestion(withoutThread, knowledge)
    const finer = tryWith(anyThread.facts, pointsToTry(anyThread), planThread(undefined, anyThread, stock), {
      substituted: { asked: asks!, alone: priced.length === 0 },
    })
    const free = finer.filter(({ needle }) => !needle.marginal)
    // A larger eye is no use to a finer thread, but where the work itself wants one.
    const better = free.find(({ needle }) => !isLargest(needle.point)) ?? free[0]
    return [
      ...largeEyed,
      ...priced.filter((choice) => !largeEyed.includes(choice)),
      ...(better ? [better] : priced.length === 0 ? finer : []),
    ]
  }
}

/** Needles of another shank lie on the shelf for other machines: here they are as good as not there. */
function withOwnNeedles(request: KitRequest): KitRequest {
  const { stock, machine } = request
  if (!stock?.needles.some(({ system }) => system !== undefined)) return request
  const own = systemKey(machine?.needleSystem ?? HOUSEHOLD_SYSTEM.name)
  const needles = stock.needles.filter(({ system }) => system === undefined || systemKey(system) === own)
  return { ...request, stock: { ...stock, needles } }
}

const withoutSchool = ({ school: _, ...rule }: Rule<unknown>): Rule<unknown> => rule

const onShelf = (stock: KitStock, needle: { readonly point: Point; readonly sizeNm: number }): boolean =>
  stock.needles.some(({ point, sizeNm, count }) => point === needle.point && sizeNm === needle.sizeNm && count > 0)

const sizesOnShelf = (stock: KitStock, wanted: Point): number[] =>
  stock.needles.filter(({ point, count }) => point === wanted && count > 0).map(({ sizeNm }) => sizeNm)

/** The plate to plan with when no machine is known, in mm. */
const WIDEST_PLATE_MM = 9

/** Settles the gap of a twin: 2.5 mm or the next wider that exists in the size and passes the plate, else the next narrower. */
function withGap(choice: Choice, maxWidthMm: number, { points }: Knowledge): Choice {
  const { point, sizeNm } = choice.needle
  if (!isTwin(points[point])) return choice
  const gaps = gapsThatPass(points[point], sizeNm, maxWidthMm)
  return { ...choice, gapMm: gaps.find((gapMm) => gapMm >= 2.5) ?? gaps.at(-1)! }
}

function assemble(
  question: KitQuestion,
  known: GatheredFacts,
  { system, stitch: chosenStitch, foot: chosenFoot, doubts }: Settled,
  choice: Choice,
  all: readonly Choice[],
): Kit {
  const { request, knowledge } = question
  const { machine, stock } = request
  const { needle } = choice
  const { point, sizeNm, thread } = needle
  const kind = knowledge.points[point]
  const fit = needleFit({ point, sizeNm }, thread, { points: knowledge.points, dropTests: request.dropTests })
  const plateMm = machine?.maxWidthMm ?? WIDEST_PLATE_MM
  Object.assign(known, {
    point,
    pointWords: kind.words,
    sizeNm,
    sizeText: sizeText(sizeNm),
    plateMm,
    gapMm: choice.gapMm,
    twinWidthMm: choice.gapMm && twinWidth(plateMm, choice.gapMm),
    twin: isTwin(kind),
    threadTex: thread.tex,
    threadFibre: thread.fibre,
    threadFinish: thread.finish ?? usualFinish(thread.fibre),
    threadKinds: [thread.fibre, thread.finish ?? usualFinish(thread.fibre)],
    clearance: fit.clearance,
    stitchOf: chosenStitch.stitch.of,
    stitchIso: chosenStitch.stitch.iso,
    widthMm: chosenStitch.stitch.widthMm,
    lengthMm: chosenStitch.stitch.lengthMm,
    needleSwings: chosenStitch.stitch.iso !== '301' || isTwin(kind),
    footByEye: chosenFoot.byEye,
    footSticks: question.facts['holesStay'] === true && chosenFoot.byEye,
    // Not laid out for a line beside the middle either, whether this needle moves or not.
    straightPlateFits:
      machine?.straightPlate === true &&
      question.facts['needleAside'] !== true &&
      !needsWideOpening(chosenStitch.stitch, kind),
    threadText: threadText(thread),
  })
  const bobbin = chooseBobbin(thread, known, knowledge)
  const dial = startingDial(machine?.dial, thread, bobbin.thread, known, knowledge)
  const pressure = choosePressure(known, machine, knowledge)
  const extraRules = firstOfEach(rulesThatHold(knowledge.extras, known), ({ give }) => give.extra)
  const prices = rulesThatHold(knowledge.prices, known)
  const cautionRules = firstOfEach(rulesThatHold(knowledge.cautions, known), ({ give }) => give.caution)

  const needleInStock = !stock || onShelf(stock, needle)
  const inStock = needleInStock && choice.thread.inStock
  const missing = [
    !needleInStock && `${kind.words} ${sizeText(sizeNm)}`,
    !choice.thread.inStock && `${plain(thread.tex)} tex ${named(thread.fibre)}`,
  ]
    .filter(Boolean)
    .join(' and ')
  const short = (text: string, is: boolean) => (is ? `${text} Not in stock: ${missing}.` : text)

  const oneSpool = isTwin(kind) && machine !== undefined && machine.spoolPins < 2
  const say = (part: string, rules: readonly Rule<unknown>[], because: string, name = namesOf(rules)): Reason => ({
    part,
    rule: name,
    because: `${because}${guessSaid(question, rules)}`,
    source: rules[0]!.source,
    confidence: confidenceOf(rules, question.guessed),
    ...(rules[0]!.school && { school: rules[0]!.school }),
  })
  /** A reason that makes the kit marginal, when it does. */
  const priced = (reason: Reason, is: boolean): Reason => (is ? { ...reason, price: true } : reason)
  const sizeBecause = short(needle.because, !needleInStock)
  const threadBecause = short(threadReason(choice, known), !choice.thread.inStock)
  const reasons: Reason[] = [
    say('needle-point', [choice.rule], choice.because),
    priced(
      say('needle-size', choice.range.rules, sizeBecause, `bound-${needle.bound}`),
      needle.marginal || fit.verdict === 'tight',
    ),
    priced(say('thread', [choice.thread.rule], threadBecause), choice.substituted !== undefined),
    say('bobbin', [bobbin.rule], bobbin.because),
    priced(say('foot', [chosenFoot.rule], chosenFoot.because), chosenFoot.byEye),
    say('foot-pressure', [pressure.rule], pressure.because),
    priced(say('stitch', chosenStitch.rules, chosenStitch.because), chosenStitch.marginal),
    say('dial', dial.rules, dial.because),
    ...extraRules.map((rule) =>
      priced(say(rule.give.extra, [rule], sentence(rule.because, known)), oneSpool && rule.give.extra === 'cone-stand'),
    ),
    ...cautionRules.map((rule) =>
      priced(say(rule.give.caution, [rule], sentence(rule.because, known)), rule.give.marginal === true),
    ),
    ...prices.map((rule) => priced(say(rule.give.price, [rule], sentence(rule.because, known)), true)),
    ...doubts.map(({ rule, because }) => priced(say('stack', [rule], because), true)),
  ]
  return {
    verdict: reasons.some(({ price }) => price) ? 'marginal' : 'good',
    confidence: lowest(reasons.slice(0, 8).map(({ confidence }) => confidence!)),
    needle: { system: system.name, ...needleOf(choice) },
    alternates: all.filter((other) => other !== choice && other.substituted === undefined).map(needleOf),
    topThread: thread,
    bobbinThread: bobbin.thread,
    fit: {
      clearance: fit.clearance,
      verdict: fit.verdict,
      eyeMm: fit.eyeMm,
      threadMm: fit.threadMm,
      ...(fit.dropTest && { dropTest: fit.dropTest.result }),
    },
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

/** "Monofilament nylon thread": its finish only where it is not the usual one of its fibre. */
const threadText = ({ fibre, finish }: Thread): string => {
  const words =
    finish === undefined || finish === usualFinish(fibre) ? named(fibre) : `${named(finish)} ${named(fibre)}`
  return `${capital(words)} thread`
}

/** How wide a twin may swing before a needle strikes: the plate less the gap and half a millimetre. */
export const twinWidth = (plateMm: number, gapMm: number): number => Math.max(0, plateMm - gapMm - 0.5)

const namesOf = (rules: readonly Rule<unknown>[]): string => rules.map(({ id }) => id).join(' ')

type Confidence = NonNullable<Reason['confidence']>
const SURENESS: readonly Confidence[] = ['low', 'medium', 'high']
const lowest = (all: readonly Confidence[]): Confidence => SURENESS.find((one) => all.includes(one)) ?? 'high'

/** As sure as the least sure row, and not sure at all where a row rests on a guess. */
const confidenceOf = (rules: readonly Rule<unknown>[], guessed: readonly string[]): Confidence =>
  lowest(rules.map((rule) => (guessed.some((fact) => restsOn(rule).has(fact)) ? 'low' : rule.confidence)))

const needleOf = ({ needle: { point, sizeNm }, gapMm }: Choice): NeedleChoice => ({
  point,
  sizeNm,
  sizeUs: olderNumber(sizeNm),
  ...(gapMm !== undefined && { gapMm }),
})

function threadReason({ thread, needle, substituted }: Choice, facts: Facts): string {
  if (substituted) {
    const words = substituted.alone ? THREAD_REASONS.substitutedAlone : THREAD_REASONS.substituted
    return sentence(words, facts, { askedTex: substituted.asked.tex })
  }
  const finer = thread.free && needle.thread.tex < thread.candidates[0]!.tex
  const said = [thread.because, sentence(finer ? THREAD_REASONS.finer : THREAD_REASONS.fits, facts)]
  if (thread.standsIn) said.splice(1, 0, sentence(THREAD_REASONS.shelf, facts))
  return said.join(' ')
}

const firstOfEach = <Row>(rows: readonly Row[], key: (row: Row) => string): Row[] =>
  [...new Map([...rows].reverse().map((row) => [key(row), row])).values()].reverse()

/**
 * The thread that was asked for before any other; then stock, then good before marginal, then a size within the cloth's range
 * before one that misses it, then the order in which the ways were found.
 */
function rank(kits: readonly Kit[], choices: readonly Choice[]): Kit[] {
  const grade = (index: number) => {
    const [kit, choice] = [kits[index]!, choices[index]!]
    // With a thread that was asked for, the ways out of the conflict stand in their own order.
    const misses = choice.thread.free && choice.needle.bound === 'sold'
    return (
      (choice.substituted ? 8 : 0) +
      (kit.inStock === false ? 4 : 0) +
      (kit.verdict === 'marginal' ? 2 : 0) +
      (misses ? 1 : 0)
    )
  }
  return kits
    .map((kit, index) => ({ kit, grade: grade(index) }))
    .sort((a, b) => a.grade - b.grade)
    .map(({ kit }) => kit)
}
