import { POINTS, isWideEyed, type Point, type PointKnowledge } from '../knowledge/needle/needle'
import { threadDiameterMm, usualFinish, type Thread } from '../units/thread'

export type FitVerdict = 'good' | 'tight' | 'shreds' | 'loose'

/** What a needle did when it was hung on its own thread: slid straight down, spiralled down slowly, or stayed. */
export const DROP_RESULTS = ['slides', 'spirals', 'stays'] as const
export type DropResult = (typeof DROP_RESULTS)[number]

/** One drop test at the table. Of several for the same needle and thread only the last counts. */
export interface DropTest {
  readonly point: Point
  readonly sizeNm: number
  readonly thread: Thread
  readonly result: DropResult
}

export interface NeedleFit {
  readonly eyeMm: number
  readonly threadMm: number
  /** eye ÷ thread diameter */
  readonly clearance: number
  readonly verdict: FitVerdict
  /** the drop test that decided, in place of the formula */
  readonly dropTest?: DropTest
}

/** Clearances at which the verdict turns. Source: common practice; a drop test at the table beats them. */
export const CLEARANCE = { good: 1.35, tight: 1.15, loose: 2.6 } as const

/** What a fit is judged by besides the numbers of needle and thread. */
export interface FitKnowledge {
  readonly points: Readonly<Record<Point, PointKnowledge>>
  readonly dropTests?: readonly DropTest[] | undefined
}

/**
 * How a thread passes a needle's eye. Any piece of thread passes the eye about twenty times before it is sewn in, so a
 * tight eye shreds it. "loose" is a note, never a fault, and is not said of wide-eyed points.
 * A drop test beats the formula: one that slid holds for every larger eye, one that stayed for every smaller; one that spiralled
 * says that no smaller eye is better, and no larger one worse. Of one test a finer eye is never the better one.
 */
export function needleFit(
  needle: { readonly point: Point; readonly sizeNm: number },
  thread: Thread,
  { points, dropTests }: FitKnowledge = { points: POINTS },
): NeedleFit {
  const eyeMm = eyeOf(needle, points)
  const threadMm = threadDiameterMm(thread)
  const clearance = eyeMm / threadMm
  const numbers = { eyeMm, threadMm, clearance }
  const verdict =
    clearance < CLEARANCE.tight
      ? 'shreds'
      : clearance < CLEARANCE.good
        ? 'tight'
        : clearance > CLEARANCE.loose && !isWideEyed(points[needle.point])
          ? 'loose'
          : 'good'
  const dropTest = dropTests && decidingTest(needle, { eyeMm, verdict }, thread, points, dropTests)
  return dropTest ? { ...numbers, verdict: DROP_VERDICT[dropTest.result], dropTest } : { ...numbers, verdict }
}

const DROP_VERDICT = { slides: 'good', spirals: 'tight', stays: 'shreds' } as const

const eyeOf = (needle: { readonly point: Point; readonly sizeNm: number }, points: FitKnowledge['points']): number =>
  (needle.sizeNm / 100) * points[needle.point].eyeShare

/** The test that tells most about this eye: of this very needle, else the nearest eye that decides it either way. */
function decidingTest(
  needle: { readonly point: Point; readonly sizeNm: number },
  { eyeMm, verdict }: Pick<NeedleFit, 'eyeMm' | 'verdict'>,
  thread: Thread,
  points: FitKnowledge['points'],
  tests: readonly DropTest[],
): DropTest | undefined {
  let best: DropTest | undefined
  let nearest = Infinity
  for (const test of tests) {
    if (!sameThread(test.thread, thread)) continue
    if (test.point === needle.point && test.sizeNm === needle.sizeNm) return test
    const away = eyeMm - eyeOf(test, points)
    // By its numbers a finer eye may be worse than one that spiralled, and a larger one better: then it is.
    const decides = {
      slides: away >= 0,
      spirals: away < 0 ? verdict !== 'shreds' : away === 0 || verdict === 'shreds',
      stays: away <= 0,
    }[test.result]
    if (decides && Math.abs(away) < nearest) {
      best = test
      nearest = Math.abs(away)
    }
  }
  return best
}

const sameThread = (a: Thread, b: Thread): boolean =>
  Math.abs(a.tex - b.tex) < 0.5 &&
  a.fibre === b.fibre &&
  (a.finish ?? usualFinish(a.fibre)) === (b.finish ?? usualFinish(b.fibre)) &&
  (a.strands ?? 1) === (b.strands ?? 1)
