import { POINTS, hasLargeEye, type Point } from '../knowledge/needle'
import { threadDiameterMm, type Thread } from '../units/thread'

export type FitVerdict = 'good' | 'tight' | 'shreds' | 'loose'

export interface NeedleFit {
  readonly eyeMm: number
  readonly threadMm: number
  /** eye ÷ thread diameter */
  readonly clearance: number
  readonly verdict: FitVerdict
}

/** Clearances at which the verdict turns. Source: common practice; a drop test at the table beats them. */
export const CLEARANCE = { good: 1.35, tight: 1.15, loose: 2.6 } as const

/**
 * How a thread passes a needle's eye. Any piece of thread passes the eye about twenty times before it is sewn in, so a
 * tight eye shreds it. "loose" is a note, never a fault, and is not said of large-eyed points.
 */
export function needleFit(needle: { readonly point: Point; readonly sizeNm: number }, thread: Thread): NeedleFit {
  const eyeMm = (needle.sizeNm / 100) * POINTS[needle.point].eyeShare
  const threadMm = threadDiameterMm(thread)
  const clearance = eyeMm / threadMm
  const verdict =
    clearance < CLEARANCE.tight
      ? 'shreds'
      : clearance < CLEARANCE.good
        ? 'tight'
        : clearance > CLEARANCE.loose && !hasLargeEye(needle.point)
          ? 'loose'
          : 'good'
  return { eyeMm, threadMm, clearance, verdict }
}
