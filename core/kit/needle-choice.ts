import type { PointProposal } from '../knowledge/needle-point'
import { DROP_TEST_SAYS, SIZE_REASONS } from '../knowledge/needle-size'
import { sizesSold, type NeedleSystem, type Point } from '../knowledge/needle'
import { firstThatHolds, plain, rulesThatHold, sentence, type Facts, type Rule } from '../knowledge/rule'
import type { KitThread } from '../knowledge/thread'
import { sizeText } from '../units/needle-size'
import { threadDiameterMm } from '../units/thread'
import type { KitQuestion } from './facts'
import { CLEARANCE, needleFit, type FitKnowledge } from './needle-fit'

/** The sizes a cloth allows once its thickest crossing is counted in, with the sentences that say so. */
export interface ClothRange {
  readonly low: number
  readonly up: number
  readonly raisedLow: number
  readonly rules: readonly Rule<unknown>[]
  readonly because: string
}

const STEP = 10

export function clothRange({ facts, knowledge }: Pick<KitQuestion, 'facts' | 'knowledge'>): ClothRange {
  const cloth = firstThatHolds(knowledge.clothSizes, facts)
  const { low, up, crossingAdds } = cloth.give
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
  return { low, up, raisedLow, rules, because: because.join(' ') }
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
  readonly machine: { readonly min: number; readonly max: number } | undefined
  readonly system: NeedleSystem
  /** only these sizes are at hand */
  readonly shelf?: readonly number[]
}

/** Sizes of a point that the shank system sells and the machine's clamp, hook and plate take, ascending. */
export const sizesFor = (point: Point, { machine, system, shelf, fit }: Omit<Bounds, 'range'>): number[] =>
  sizesSold(system, point, fit.points).filter(
    (size) =>
      size >= (machine?.min ?? 0) &&
      size <= (machine?.max ?? Infinity) &&
      (shelf === undefined || shelf.includes(size)),
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
 * marginal. A thread that the kit itself chose never moves the size: the thread is chosen to fit.
 * @returns undefined when no size of this point passes any of the threads
 */
export function chooseSize(
  point: Point,
  threads: readonly KitThread[],
  bounds: Bounds,
  facts: Facts,
  schoolSize?: number,
): NeedleCandidate | undefined {
  const sizes = sizesFor(point, bounds)
  const { range, fit } = bounds
  const { holeWanted, words } = fit.points[point]
  const upper = holeWanted ? Infinity : range.up
  const within = sizes.filter((size) => size >= range.raisedLow && size <= upper)
  const spoken = (bound: SizeBound, sizeNm: number, thread: KitThread): string => {
    const { clearance, threadMm, dropTest } = needleFit({ point, sizeNm }, thread, fit)
    return [
      range.because,
      sentence(SIZE_REASONS[bound], facts, {
        up: range.up,
        raisedLow: range.raisedLow,
        sizeText: sizeText(sizeNm),
        pointWords: capital(words),
        clearance,
        threadMm: plain(threadMm),
        eyeNeededMm: plain(threadDiameterMm(thread) * CLEARANCE.good),
      }),
      dropTest && sentence(DROP_TEST_SAYS[dropTest.result], { testedText: sizeText(dropTest.sizeNm) }),
    ]
      .filter(Boolean)
      .join(' ')
  }
  const candidate = (bound: SizeBound, sizeNm: number, thread: KitThread, marginal: boolean): NeedleCandidate => ({
    point,
    sizeNm,
    thread,
    bound,
    marginal,
    because: spoken(bound, sizeNm, thread),
  })
  const fitting = (sizeNm: number) => threads.find((thread) => passesWell(point, sizeNm, thread, fit))

  if (schoolSize !== undefined && sizes.includes(schoolSize)) {
    const thread = fitting(schoolSize)
    if (thread) return candidate('school', schoolSize, thread, false)
  }
  for (const size of within) {
    const thread = fitting(size)
    if (thread) {
      const bound = holeWanted ? 'exempt' : size === within[0] ? 'cloth' : 'thread'
      return candidate(bound, size, thread, false)
    }
  }
  const nearest = nearestTo(sizes, range.raisedLow, upper)
  if (within.length === 0 && nearest !== undefined) {
    const thread = fitting(nearest)
    if (thread) return candidate('sold', nearest, thread, true)
  }
  const passes = (size: number) =>
    threads.find((thread) => needleFit({ point, sizeNm: size }, thread, fit).verdict !== 'shreds')
  for (const size of [...within].reverse()) {
    const thread = passes(size)
    if (thread) return candidate('tight', size, thread, true)
  }
  for (const size of sizes.filter((size) => size > range.up)) {
    const thread = passes(size)
    if (thread) return candidate(passesWell(point, size, thread, fit) ? 'above' : 'above-tight', size, thread, true)
  }
  for (const size of [...sizes].reverse()) {
    const thread = size >= range.raisedLow ? passes(size) : undefined
    if (thread) return candidate('tight', size, thread, true)
  }
  return undefined
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** The size with the least distance to low … up; of two equally near the stiffer. */
function nearestTo(sizes: readonly number[], low: number, up: number): number | undefined {
  const distance = (size: number) => Math.max(low - size, size - up, 0)
  return [...sizes].sort((a, b) => distance(a) - distance(b) || b - a)[0]
}
