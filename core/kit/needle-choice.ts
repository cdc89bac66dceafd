import type { PointProposal } from '../knowledge/needle/needle-point'
import { DROP_TEST_SAYS, SIZE_REASONS } from '../knowledge/needle/needle-size'
import { isTwin, sizesSold, type NeedleSystem, type Point } from '../knowledge/needle/needle'
import { firstThatHolds, rulesThatHold, sentence } from '../schema/rule'
import type { Facts, Rule } from '../knowledge/fact'
import { capital, plain } from '../units/words'
import type { KitThread } from '../knowledge/thread/thread'
import { sizeText } from '../units/needle-size'
import { threadDiameterMm } from '../units/thread'
import type { KitQuestion } from './facts'
import { CLEARANCE, needleFit, type FitKnowledge } from './needle-fit'

/** The sizes a cloth allows once its thickest crossing is counted in, with the sentences that say so. */
export interface ClothRange {
  readonly low: number
  readonly up: number
  readonly raisedLow: number
  /** a finer needle that does too, with thread as fine */
  readonly finer?: { readonly low: number; readonly up: number }
  readonly rules: readonly Rule<unknown>[]
  readonly because: string
}

const STEP = 10
/** Needles are sold in such sizes that half a step off is as good as in range. */
const NEAR = STEP / 2
/** So far beyond what a cloth likes a machine that has nothing better still sews it, at a price. */
export const MOST_BEYOND = 2 * STEP

export function clothRange({ facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>): ClothRange {
  const cloth = firstThatHolds(knowledge.clothSizes, facts)
  const { low, up, crossingAdds, finer } = cloth.give
  const crossing = firstThatHolds(knowledge.crossingSteps, facts)
  const steps = crossingAdds === false ? 0 : crossing.give.steps
  const raisedLow = Math.min(low + steps * STEP, Math.max(low, up))
  const spoken = { low, up, raisedLow }
  const because = [sentence(cloth.because, facts, spoken)]
  const rules: Rule<unknown>[] = [cloth]
  if (raisedLow > low) {
    because.push(sentence(crossing.because, facts, spoken))
    rules.push(crossing)
  }
  return { low, up, raisedLow, ...(finer && { finer }), rules, because: because.join(' ') }
}

/** The points to try for these facts, best first, each with the row that proposed it. */
export function pointsToTry({
  facts,
  knowledge,
}: Pick<KitQuestion, 'facts' | 'knowledge'>): { readonly point: Point; readonly rule: Rule<PointProposal> }[] {
  const vetoed = vetoedPoints({ facts, knowledge })
  const tried = new Map<Point, Rule<PointProposal>>()
  for (const rule of rulesThatHold(knowledge.pointProposals, facts)) {
    const allowed = rule.give.points.filter((point) => !vetoed.has(point))
    for (const point of allowed) if (!tried.has(point)) tried.set(point, rule)
    if (rule.give.only && allowed.length > 0) break
  }
  return [...tried].map(([point, rule]) => ({ point, rule }))
}

/** Points that this cloth never gets. */
export const vetoedPoints = ({ facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>): ReadonlySet<Point> =>
  new Set(rulesThatHold(knowledge.pointVetoes, facts).flatMap((rule) => rule.give.points))

export type SizeBound = keyof typeof SIZE_REASONS

/** One needle that could do the job with one thread. `marginal`: say what it costs. */
export interface NeedleCandidate {
  readonly point: Point
  readonly sizeNm: number
  readonly thread: KitThread
  readonly bound: SizeBound
  readonly marginal: boolean
  readonly because: string
}

interface Bounds {
  readonly range: ClothRange
  readonly fit: FitKnowledge
  readonly machine:
    { readonly needleNm: { readonly min: number; readonly max: number }; readonly maxWidthMm: number } | undefined
  readonly system: NeedleSystem
  /** as much of the cloth's range as was measured: what is too far beyond it is refused */
  readonly firm: { readonly low: number; readonly up: number }
  /** only these sizes are at hand */
  readonly shelf?: readonly number[]
}

/** A twin needle needs a zigzag opening at least 1 mm wider than its gap. */
export const TWIN_MARGIN_MM = 1

/** The gaps of a twin that pass a plate in this size, ascending. */
export const gapsThatPass = (
  { gaps = [] }: FitKnowledge['points'][Point],
  sizeNm: number,
  maxWidthMm: number | undefined,
): number[] =>
  gaps
    .filter((gap) => gap.sizesNm.includes(sizeNm) && gap.gapMm <= (maxWidthMm ?? Infinity) - TWIN_MARGIN_MM)
    .map(({ gapMm }) => gapMm)

/** Sizes of a point that the shank system sells and the machine's clamp, hook and plate take, ascending. */
export const sizesFor = (point: Point, { machine, system, shelf, fit }: Omit<Bounds, 'range' | 'firm'>): number[] =>
  sizesSold(system, point, fit.points).filter(
    (size) =>
      size >= (machine?.needleNm.min ?? 0) &&
      size <= (machine?.needleNm.max ?? Infinity) &&
      (shelf === undefined || shelf.includes(size)) &&
      (!isTwin(fit.points[point]) || gapsThatPass(fit.points[point], size, machine?.maxWidthMm).length > 0),
  )

/** A thread that passes without a word against it. */
const passesWell = (point: Point, sizeNm: number, thread: KitThread, fit: FitKnowledge): boolean => {
  const { verdict } = needleFit({ point, sizeNm }, thread, fit)
  return verdict === 'good' || verdict === 'loose'
}

/** The finest size of a point whose eye passes the thread well, whatever the cloth says. */
export const finestForThread = (
  point: Point,
  sizes: readonly number[],
  thread: KitThread,
  fit: FitKnowledge,
): number | undefined => sizes.find((size) => passesWell(point, size, thread, fit))

/**
 * Three bounds: stiff enough for the cloth, an eye that passes the thread, fine enough not to punch holes. The finest
 * size that keeps the first two without breaking the third; where none does, the nearest that can still sew, marked
 * marginal, up to two steps beyond what the cloth likes. A thread that the kit itself chose never moves the size: the
 * thread is chosen to fit. One that was asked for takes whatever size lets it through.
 * @returns undefined when no size of this point is near enough, or none passes any of the threads
 */
export function chooseSize(
  point: Point,
  threads: readonly KitThread[],
  bounds: Bounds,
  facts: Facts,
  schoolSize?: number,
): NeedleCandidate | undefined {
  const sizes = sizesFor(point, bounds)
  const { range, fit, machine, system } = bounds
  const { holeWanted, words } = fit.points[point]
  const upper = holeWanted ? Infinity : range.up
  const beyond = (size: number) => Math.max(range.raisedLow - size, size - upper, 0)
  const spoken = (bounds: readonly SizeBound[], sizeNm: number, thread: KitThread): string => {
    const { clearance, threadMm, dropTest } = needleFit({ point, sizeNm }, thread, fit)
    const known = {
      up: range.up,
      raisedLow: range.raisedLow,
      sizeText: sizeText(sizeNm),
      pointWords: words,
      PointWords: capital(words),
      clearance,
      threadMm: plain(threadMm),
      eyeNeededMm: plain(threadDiameterMm(thread) * CLEARANCE.good),
    }
    return [
      range.because,
      ...bounds.map((bound) => sentence(SIZE_REASONS[bound], facts, known)),
      dropTest && sentence(DROP_TEST_SAYS[dropTest.result], { testedText: sizeText(dropTest.sizeNm) }),
    ]
      .filter(Boolean)
      .join(' ')
  }
  /** @param also what else it costs */
  const candidate = (
    bound: SizeBound,
    sizeNm: number,
    thread: KitThread,
    marginal: boolean,
    also: readonly SizeBound[] = [],
  ): NeedleCandidate => ({
    point,
    sizeNm,
    thread,
    bound,
    marginal,
    because: spoken([...also, bound], sizeNm, thread),
  })
  const fitting = (sizeNm: number) => threads.find((thread) => passesWell(point, sizeNm, thread, fit))
  const passing = (size: number) =>
    threads.find((thread) => needleFit({ point, sizeNm: size }, thread, fit).verdict !== 'shreds')

  if (schoolSize !== undefined && sizes.includes(schoolSize)) {
    const thread = fitting(schoolSize)
    if (thread) return candidate('school', schoolSize, thread, false)
  }
  const inside = sizes.filter((size) => beyond(size) === 0)
  // Half a step off is as good where nobody sells a nearer one; not where this machine takes none.
  const soldInside = sizesSold(system, point, fit.points).some((size) => beyond(size) === 0)
  const within = inside.length > 0 || soldInside ? inside : sizes.filter((size) => beyond(size) <= NEAR)
  for (const size of within) {
    const thread = fitting(size)
    if (!thread) continue
    const alone = inside.length === 0 ? 'near' : size === within[0] ? 'cloth' : 'thread'
    return candidate(bounds.shelf ? 'shelf' : holeWanted ? 'exempt' : alone, size, thread, false)
  }
  const byNearness = [...sizes].sort((a, b) => beyond(a) - beyond(b) || b - a)
  const { firm } = bounds
  const reach = byNearness.filter((size) => Math.max(firm.low - size, holeWanted ? 0 : size - firm.up) <= MOST_BEYOND)
  if (reach.length === 0) return undefined
  if (within.length === 0) {
    const thread = fitting(reach[0]!)
    if (thread) return candidate(whyBeyond(reach[0]!), reach[0]!, thread, true)
  }
  for (const size of [...within].reverse()) {
    const thread = passing(size)
    if (thread) return candidate('tight', size, thread, true)
  }
  for (const size of sizes.filter((size) => size > upper)) {
    const thread = passing(size)
    if (thread) return candidate(passesWell(point, size, thread, fit) ? 'above' : 'above-tight', size, thread, true)
  }
  // Too fine for the cloth and tight in its eye: both are said.
  const finer = within.length === 0 ? reach.find((size) => size < range.raisedLow) : undefined
  const thread = finer === undefined ? undefined : passing(finer)
  return thread && candidate('tight', finer!, thread, true, [whyBeyond(finer!)])

  /** Nearer sizes are sold, and the machine does not take them; or nobody sells any. */
  function whyBeyond(size: number): SizeBound {
    const nearer = sizesSold(system, point, fit.points).filter((other) => beyond(other) < beyond(size))
    if (machine && size < range.raisedLow && nearer.some((other) => other > machine.needleNm.max))
      return 'machine-thick'
    if (machine && size > upper && nearer.some((other) => other < machine.needleNm.min)) return 'machine-fine'
    return 'sold'
  }
}

/** Why the finer of two ways to sew a light cloth has the size it has. */
export const finerReason = (range: ClothRange, { sizeNm }: NeedleCandidate, facts: Facts): string =>
  `${range.because} ${sentence(SIZE_REASONS.finer, facts, { sizeText: sizeText(sizeNm) })}`
