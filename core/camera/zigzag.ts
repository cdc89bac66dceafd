import { advancePeriodOf, chainOf, peaksOf } from './period'
import { median, runsOf, smoothed, standing } from './rows'
import { NONE, seen, type SeenStitches } from './stitches'
import type { Chain } from './likeness'
import type { Members, Strip } from './strip'

/** How wide the own thread goes to and fro, mm; about its own thickness for a straight line. */
export function widthOf(strip: Strip, { own, other }: Members): { low: number; high: number } {
  const { width, height, pxPerMm, middle } = strip
  const rows = new Float32Array(height)
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const part = Math.max(own[row * width + column]!, 0.5 * other[row * width + column]!)
      if (part > 0.45) rows[row]! += part
    }
  const most = [...rows].sort((a, b) => b - a)[Math.max(1, Math.round(0.12 * pxPerMm))]!
  const full = (row: number) => rows[row]! > most * 0.15
  let [low, high] = [0, height - 1]
  while (low < height - 1 && !full(low)) low += 1
  while (high > 0 && !full(high)) high -= 1
  return { low: (low - middle) / pxPerMm, high: (high - middle) / pxPerMm }
}

/** At a point the thread goes down: so much of its thickness is seen beyond the middle of the two holes. */
const END_OF_THREAD = 0.3

/** The points of a zigzag: where thread lies near one edge, and then near the other. */
export function zigzagStitches(
  strip: Strip,
  { own, other }: Members,
  edges: { low: number; high: number },
  threadMm: number,
): SeenStitches {
  const { width, height, pxPerMm, middle } = strip
  const sides = [edges.low, edges.high].map((edge, side) => {
    const at = new Float32Array(width)
    const inward = side === 0 ? 1 : -1
    for (let column = 0; column < width; column += 1) {
      let sum = 0
      for (let step = -0.25 * pxPerMm; step <= 0.4 * pxPerMm; step += 1) {
        const row = Math.round(middle + edge * pxPerMm + inward * step)
        if (row < 0 || row >= height) continue
        sum += Math.max(own[row * width + column]!, other[row * width + column]!)
      }
      at[column] = sum
    }
    return standing(smoothed(at, 0.1 * pxPerMm), 5 * pxPerMm)
  })
  const periods = sides.map((values) => advancePeriodOf(values, pxPerMm))
  const better = periods[0]!.like >= periods[1]!.like ? 0 : 1
  const period = periods[better]!
  if (period.lag === 0) return { ...NONE, zigzag: true }
  const chain = chainOf(peaksOf(smoothed(sides[better]!, period.lag * 0.08), period.lag * 0.4), period.lag, width)
  const found = seen(chain, pxPerMm, period.like, 2)
  const told = widthByLegs(strip, { own, other }, edges, chain, better === 0 ? 1 : -1)
  return { ...found, widthMm: told ?? Math.max(0, edges.high - edges.low - END_OF_THREAD * threadMm) }
}

/** The legs of a zigzag are looked at on so much of its width in the middle; so many rows tell its width. */
const LEGS = { middle: 0.6, fewestRows: 6, fewestPoints: 4 } as const

/**
 * The width of a zigzag from needle hole to needle hole: two legs that part at a point lie the further apart the further from it, and
 * a whole period apart where the next points are. It does not matter how the thread goes into its hole.
 * @param inward from the points of the chain: 1 down the strip
 */
function widthByLegs(
  { width, pxPerMm, middle }: Strip,
  { own, other }: Pick<Members, 'own' | 'other'>,
  edges: { low: number; high: number },
  chain: Chain,
  inward: 1 | -1,
): number | undefined {
  const period = median(chain.slice(1).flatMap(({ at, steps }, index) => (steps === 1 ? [at - chain[index]!.at] : [])))
  const wide = edges.high - edges.low
  const rows: { off: number; apart: number }[] = []
  const margin = (wide * (1 - LEGS.middle)) / 2
  for (
    let row = Math.round(middle + (edges.low + margin) * pxPerMm);
    row < middle + (edges.high - margin) * pxPerMm;
    row += 1
  ) {
    const legs = middlesOf(own, other, row * width, width)
    const parted: number[] = []
    for (const { at } of chain) {
      const next = legs.findIndex((leg) => leg > at)
      if (next < 1) continue
      const apart = legs[next]! - legs[next - 1]!
      if (apart < period) parted.push(apart)
    }
    if (parted.length >= LEGS.fewestPoints) rows.push({ off: inward * row, apart: median(parted) })
  }
  if (rows.length < LEGS.fewestRows || period === 0) return undefined
  const slopes = rows.flatMap((one, index) =>
    rows.slice(index + 1).map((another) => (another.apart - one.apart) / (another.off - one.off)),
  )
  const slope = median(slopes)
  const told = period / slope / pxPerMm
  // Not far from what is seen from edge to edge, or the legs were something else.
  return slope > 0 && Math.abs(told - wide) < 0.3 * wide ? told : undefined
}

/** The middles of what thread lies in one row of the strip, columns. */
function middlesOf(own: Float32Array, other: Float32Array, from: number, width: number): number[] {
  const lies = (column: number) => Math.max(own[from + column]!, other[from + column]!)
  return runsOf(width, (column) => lies(column) > 0.3).map((run) => {
    let [weight, sum] = [0, 0]
    for (let column = run.from; column < run.to; column += 1) {
      weight += lies(column)
      sum += lies(column) * column
    }
    return sum / weight
  })
}

/** A zigzag crosses its middle again and again, and is at neither edge for long. */
export function isToAndFro(
  { width, height, middle, pxPerMm }: Strip,
  { own }: Members,
  edges: { low: number; high: number },
): boolean {
  const third = (edges.high - edges.low) / 3
  const counts = [0, 0, 0]
  for (let part = 0; part < 3; part += 1)
    for (
      let row = Math.round(middle + (edges.low + part * third) * pxPerMm);
      row < middle + (edges.low + (part + 1) * third) * pxPerMm;
      row += 1
    )
      for (let column = 0; column < width; column += 1)
        if (row >= 0 && row < height && own[row * width + column]! > 0.5) counts[part]! += 1
  const all = counts[0]! + counts[1]! + counts[2]!
  // The own thread of a straight line lies in one third of whatever stands off it.
  return all > 0 && Math.max(...counts) < 0.62 * all && Math.min(counts[0]!, counts[2]!) > 0.15 * all
}
