import type { Link } from './likeness'

/** No stitch is shorter or longer, mm; what comes again sooner than the second may be the twist of a thread. */
export const STITCH_MM = { shortest: 0.5, plain: 0.7, longest: 7 } as const
/** The advance of a zigzag from one point to the next on the same side is no less, mm. */
const LEAST_ADVANCE_MM = 0.6
/** A stitch may be so much longer or shorter than the usual one. */
const STRAYS = 0.38

/** After how many columns something comes again, and how much it is then like itself: 1 wholly. */
export interface Period {
  readonly lag: number
  readonly like: number
}

/** The lag after which a row of values is most like itself, in columns, and how much: 1 wholly. */
function periodOf(values: Float32Array, from: number, to: number): Period {
  const likes = new Float32Array(Math.ceil(to) + 2)
  const all = values.reduce((sum, value) => sum + value * value, 0) || 1
  for (let lag = Math.max(1, Math.floor(from) - 1); lag < likes.length && lag < values.length / 2; lag += 1) {
    let sum = 0
    for (let at = 0; at + lag < values.length; at += 1) sum += values[at]! * values[at + lag]!
    likes[lag] = (sum / all) * (values.length / (values.length - lag))
  }
  const peaks: { lag: number; like: number }[] = []
  for (let lag = Math.floor(from); lag + 1 < likes.length; lag += 1)
    if (likes[lag]! > likes[lag - 1]! && likes[lag]! >= likes[lag + 1]!) peaks.push({ lag, like: likes[lag]! })
  const most = Math.max(0.0001, ...peaks.map(({ like }) => like))
  // Whatever comes again after one period comes again after two: the first of those that are nearly as good.
  const first = peaks.find(({ like }) => like > most * 0.6)
  if (!first) return { lag: 0, like: 0 }
  // Where every other stitch is a little unlike its neighbours, two are more like two than one is like one.
  const part = [2, 3].flatMap((parts) =>
    peaks.filter(({ lag, like }) => Math.abs((lag * parts) / first.lag - 1) < 0.08 && like > first.like * 0.3),
  )[0]
  return part ?? first
}

/** Peaks of a row of values, to a part of a column. */
export function peaksOf(values: Float32Array, apart: number): { at: number; value: number }[] {
  const peaks: { at: number; value: number }[] = []
  for (let at = 1; at + 1 < values.length; at += 1) {
    const [before, here, after] = [values[at - 1]!, values[at]!, values[at + 1]!]
    if (here < before || here <= after) continue
    const bend = before - 2 * here + after
    const off = bend === 0 ? 0 : (before - after) / (2 * bend)
    const last = peaks.at(-1)
    const peak = { at: at + off, value: here }
    if (last && peak.at - last.at < apart) {
      if (peak.value > last.value) peaks[peaks.length - 1] = peak
    } else peaks.push(peak)
  }
  return peaks
}

/** The chain of peaks that comes most regularly: steps of one period, or of two or three where a stitch was skipped. */
export function chainOf(found: readonly { at: number; value: number }[], period: number, columns: number): Link[] {
  // As high as the peaks of holes are: there are about as many as there are periods. Much less than that is no hole.
  const usual = [...found].map(({ value }) => value).sort((a, b) => b - a)[Math.floor((columns / period) * 0.4)] ?? 1
  const peaks = found.map(({ at, value }) => ({ at, value: Math.min(1.2, value / Math.max(0.05, usual)) - 0.38 }))
  const best: { score: number; before: number; steps: number }[] = []
  for (const [index, { at, value }] of peaks.entries()) {
    let own = { score: value, before: -1, steps: 0 }
    for (let earlier = index - 1; earlier >= 0; earlier -= 1) {
      const gap = (at - peaks[earlier]!.at) / period
      if (gap > 3.4) break
      const steps = Math.max(1, Math.round(gap))
      const off = (gap - steps) / STRAYS
      if (Math.abs(off) > 1) continue
      const score = best[earlier]!.score + value - off * off * 0.55 - (steps - 1) * 0.25
      if (score > own.score) own = { score, before: earlier, steps }
    }
    best.push(own)
  }
  let last = best.reduce((most, { score }, index) => (score > best[most]!.score ? index : most), 0)
  const chain: Link[] = []
  while (last >= 0 && peaks.length > 0) {
    chain.unshift({ at: peaks[last]!.at, steps: best[last]!.steps })
    last = best[last]!.before
  }
  return chain
}

/** Whether two periods are one. */
export const near = (one: Pick<Period, 'lag'>, other: Pick<Period, 'lag'>) => Math.abs(one.lag / other.lag - 1) < 0.08

/** How long one stitch of a straight line is by a row of values. */
export const stitchPeriodOf = (values: Float32Array, pxPerMm: number): Period =>
  periodOf(values, STITCH_MM.plain * pxPerMm, STITCH_MM.longest * pxPerMm)

/** How far it is from one point of a zigzag to the next on the same side. */
export const advancePeriodOf = (values: Float32Array, pxPerMm: number): Period =>
  periodOf(values, LEAST_ADVANCE_MM * pxPerMm, STITCH_MM.longest * pxPerMm)
