import { byLikeness, isTwoStitches, likenessOf, type Chain, type Link } from './likeness'
import type { Members, Strip } from './strip'

/** One seam as the strip shows it. Lengths in mm. */
export interface SeenStitches {
  readonly zigzag: boolean
  /** of a zigzag */
  readonly widthMm?: number
  /** from needle hole to needle hole along the seam, those of usual length only */
  readonly lengths: readonly number[]
  readonly stitches: number
  readonly skipped: number
  /** places of the holes along the strip */
  readonly holes: readonly number[]
  /** how regular they come: 1 as a clock */
  readonly regular: number
}

const SHORTEST_MM = 0.5
const LONGEST_MM = 7
/** A stitch may be so much longer or shorter than the usual one. */
const STRAYS = 0.38

/** What thread lies in each column of the strip between two distances from its line. */
export function coverOf(
  of: Float32Array,
  { width, height, middle, pxPerMm }: Strip,
  line: Float32Array,
  withinMm: number,
): Float32Array {
  const cover = new Float32Array(width)
  const reach = withinMm * pxPerMm
  for (let column = 0; column < width; column += 1) {
    const at = middle + line[column]!
    let most = 0
    for (let row = Math.max(0, Math.ceil(at - reach)); row <= Math.min(height - 1, at + reach); row += 1)
      most = Math.max(most, of[row * width + column]!)
    cover[column] = most
  }
  return cover
}

/** A running mean of so many columns to each side. */
export function smoothed(values: Float32Array, reach: number): Float32Array {
  const means = new Float32Array(values.length)
  let [sum, count] = [0, 0]
  const wide = Math.max(0, Math.round(reach))
  for (let at = -wide; at < values.length; at += 1) {
    if (at + wide < values.length) {
      sum += values[at + wide]!
      count += 1
    }
    if (at - wide - 1 >= 0) {
      sum -= values[at - wide - 1]!
      count -= 1
    }
    if (at >= 0) means[at] = sum / count
  }
  return means
}

/** Smoothed twice: highest in the middle of what is high, not at an edge of it. */
const broad = (values: Float32Array, reach: number) => smoothed(smoothed(values, reach), reach)

/** As far above or below its own surroundings as is usual: mean 0, spread 1. */
function standing(values: Float32Array, reach: number): Float32Array {
  const means = smoothed(values, reach)
  const above = values.map((value, at) => value - means[at]!)
  const spread = Math.sqrt(above.reduce((sum, value) => sum + value * value, 0) / above.length) || 1
  return above.map((value) => value / spread)
}

/** After how many columns something comes again, and how much it is then like itself: 1 wholly. */
interface Period {
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
function peaksOf(values: Float32Array, apart: number): { at: number; value: number }[] {
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
function chainOf(found: readonly { at: number; value: number }[], period: number, columns: number): Link[] {
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

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length === 0 ? 0 : sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** Loops stand off the line from so far to so far, mm; so much of a thread beside one column is all of it. */
const LOOP_MM = { from: 0.7, to: 3.5, thread: 0.3 } as const

/** How much of the other thread stands off the line over each column: each loop of it is one stitch, whatever its feet look like. */
function loopsOver({ width, height, middle, pxPerMm }: Strip, other: Float32Array, line: Float32Array): Float32Array {
  const loops = new Float32Array(width)
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      if (other[row * width + column]! <= 0.5) continue
      const off = Math.abs(row - middle - line[column]!) / pxPerMm
      if (off > LOOP_MM.from && off < LOOP_MM.to) loops[column]! += 1
    }
  return loops.map((count) => Math.min(1, count / (LOOP_MM.thread * pxPerMm)))
}

/** How dark it is along a line, or so far beside it: what is close to it as well, since thread is narrow. */
function darkOn({ width, height, middle, pxPerMm, shades }: Strip, line: Float32Array, offMm: number): Float32Array {
  const reach = Math.max(1, Math.round(0.18 * pxPerMm))
  return Float32Array.from({ length: width }, (_, column) => {
    const row = Math.round(middle + line[column]! + offMm * pxPerMm)
    let sum = 0
    for (let step = -reach; step <= reach; step += 1)
      sum -= shades[(Math.max(0, Math.min(height - 1, row + step)) * width + column) * 3]!
    return sum
  })
}

/** Stripes of a cloth come again beside its seam as they do on it: looked for so far to either side, mm, and told by so much likeness. */
const STRIPES = { besideMm: [-5, -3.5, 3.5, 5], like: 0.3, weight: 0.1 } as const

/** Whether what comes again on a seam comes again beside it as well: then it is the cloth's and tells nothing of stitches. */
function besideToo(strip: Strip, line: Float32Array, { lag }: Period): boolean {
  const { pxPerMm } = strip
  const beside = STRIPES.besideMm.map((off) => {
    const values = standing(smoothed(darkOn(strip, line, off), 0.12 * pxPerMm), 4 * pxPerMm)
    return periodOf(values, SHORTEST_MM * pxPerMm * 1.4, LONGEST_MM * pxPerMm)
  })
  return beside.filter((one) => one.like > STRIPES.like && near(one, { lag })).length * 2 > beside.length
}

/** Whether two periods are one. */
const near = (one: Pick<Period, 'lag'>, other: Pick<Period, 'lag'>) => Math.abs(one.lag / other.lag - 1) < 0.08

/**
 * The stitches of a straight line: where the own thread dips into its hole, where the other one comes up, where it is dark. Each
 * of these counts as much as it comes again regularly.
 * @param tangled columns where a nest hides whatever there is: 1
 */
export function straightStitches(
  strip: Strip,
  { own, other }: Members,
  line: Float32Array,
  tangled: Uint8Array,
): SeenStitches {
  const { width, pxPerMm } = strip
  const owns = coverOf(own, strip, line, 0.22)
  const others = coverOf(other, strip, line, 0.35)
  const dark = darkOn(strip, line, 0)
  const far = 4 * pxPerMm
  const loops = loopsOver(strip, other, line)
  const signs = [owns.map((value) => -value), others, dark, loops].map((values) =>
    standing(smoothed(values, 0.12 * pxPerMm), far).map((value, column) => (tangled[column] === 1 ? 0 : value)),
  )
  const periods = signs.map((values) => periodOf(values, SHORTEST_MM * pxPerMm * 1.4, LONGEST_MM * pxPerMm))
  const [, , darks] = periods
  if (besideToo(strip, line, darks!)) periods[2] = { lag: darks!.lag, like: darks!.like * STRIPES.weight }
  const weights = periods.map(({ like }) => Math.max(0, like) ** 1.5)
  // The dark may plainly say the opposite of the threads. A thread that is darker than its cloth makes the middle of a stitch dark: the
  // thread is asked then. Otherwise a hole was taken for thread, or none is dark: what comes again more regularly is asked.
  let [agrees, threads, shades] = [0, 0, 0]
  for (let column = 0; column < width; column += 1) {
    const said = signs[0]![column]! * weights[0]! + signs[1]![column]! * weights[1]!
    agrees += said * signs[2]![column]!
    threads += said * said
    shades += signs[2]![column]! ** 2
  }
  if (agrees < CONTRADICTS * Math.sqrt(threads * shades))
    weights.splice(
      0,
      3,
      ...(weights[2]! > weights[0]! + weights[1]! && !isDarkThread(strip, own)
        ? [0, 0, weights[2]!]
        : [weights[0]!, weights[1]!, 0]),
    )
  const together = sumOf(weights, signs)
  const all = periodOf(standing(together, far), SHORTEST_MM * pxPerMm * 1.4, LONGEST_MM * pxPerMm)
  const first = agreed(all, periods)
  if (first.lag === 0) return NONE
  // Where the other thread lies over most of the way, its middle is the hole: a sharp peak somewhere on it is none. A loop has two
  // feet, and either may stand beside its hole: the loop as a whole tells the place.
  const wide = shareNear(others, width / 2, width / 2) > LIES_OVER
  const looped = shareNear(loops, width / 2, width / 2) > LOOPED
  const even = standing(wide ? swinging(together, first.lag) : broad(together, first.lag * (looped ? 0.2 : 0.08)), far)
  const around = likenessOf(strip, { own, other }, line)
  const chained = (period: number) => chainOf(peaksOf(even, period * 0.35), period, width)
  const whole = chained(first.lag)
  // Where the middles between holes are holes as well, the period was two stitches.
  const halved = first.lag / 2 > SHORTEST_MM * pxPerMm && isTwoStitches(whole, first.lag, around)
  const period = halved ? first.lag / 2 : first.lag
  const found = halved ? chained(period) : whole
  const shown = withHidden(found, period, others, coverOf(other, strip, line, 1.5))
  // Where a loop stands a stitch was made, whatever its hole looks like.
  const stands = (at: number) => looped && shareNear(loops, at, period * 0.3) > SHOWS
  return seen(byLikeness(shown, period, around, stands), pxPerMm, first.like, 1)
}

/**
 * The stitch is what two of the signs agree on, whatever all together say: a loop has two feet that each look like a hole, and a
 * tangle comes again after nothing in particular.
 */
function agreed(together: Period, signs: readonly Period[]): Period {
  const heard = signs.map((sign) => {
    const like = signs.filter((other) => near(sign, other))
    return { sign, count: like.length, sum: like.reduce((all, each) => all + each.like, 0) }
  })
  const { sign, count, sum } = heard.reduce((best, each) => (each.sum > best.sum ? each : best))
  // One that is plain where the others say nothing is heard as two are.
  const others = signs.reduce((all, { like }) => all + like, 0) - sum
  const found = (count < 2 && sum < 2 * others) || near(together, sign) ? together : sign
  // Stripes of the cloth come again as well, and may do so with every second or third stitch: the own thread knows nothing of them.
  const [own, ...rest] = signs
  // What the own thread says by far the plainest, whatever is printed on the cloth beside it.
  if (own!.like > BY_FAR * Math.max(...rest.map(({ like }) => like))) return own!
  const plain = own!.like > 0.6 * Math.max(...signs.map(({ like }) => like))
  return plain && [2, 3].some((times) => Math.abs(found.lag / own!.lag / times - 1) < 0.08) ? own! : found
}

/** Of so much of the seam's length loops stand beside it, where there are loops. */
const LOOPED = 0.12

/** What several signs say together, each by its weight. */
function sumOf(weights: readonly number[], signs: readonly Float32Array[]): Float32Array {
  const sum = new Float32Array(signs[0]!.length)
  for (const [index, values] of signs.entries())
    for (let column = 0; column < sum.length; column += 1) sum[column]! += values[column]! * weights[index]!
  return sum
}

/** One sign is so much plainer than every other. */
const BY_FAR = 1.3

/** From here down two signs say opposite things; 0 is nothing to do with each other. */
const CONTRADICTS = -0.3
/** The other thread is a line over the own one from so much of the seam on. */
const LIES_OVER = 0.45

/** Whether a thread is darker than the cloth that lies beside its seam. */
function isDarkThread({ width, height, middle, pxPerMm, shades }: Strip, own: Float32Array): boolean {
  const [seam, cloth] = [Math.round(0.6 * pxPerMm), Math.round(3 * pxPerMm)]
  let [thread, threads, beside, besides] = [0, 0, 0, 0]
  for (let row = 0; row < height; row += 1) {
    const off = Math.abs(row - middle)
    for (let column = 0; column < width; column += 3) {
      const index = row * width + column
      if (off < seam && own[index]! > 0.6) {
        thread += shades[index * 3]!
        threads += 1
      } else if (off > cloth) {
        beside += shades[index * 3]!
        besides += 1
      }
    }
  }
  return thread / threads < beside / besides
}

/** How much a row of values swings about each place as a wave of that length does: highest in the middle of what is high. */
function swinging(values: Float32Array, length: number): Float32Array {
  const half = Math.max(1, Math.round(length / 2))
  const wave = Float32Array.from({ length: 2 * half + 1 }, (_, at) => Math.cos((Math.PI * (at - half)) / half))
  return values.map((_, at) => {
    let sum = 0
    for (let off = -half; off <= half; off += 1)
      sum += values[Math.max(0, Math.min(values.length - 1, at + off))]! * wave[off + half]!
    return sum
  })
}

/** Of how many of the columns near a place a row of values is high. */
function shareNear(values: Float32Array, middle: number, reach: number): number {
  let [high, count] = [0, 0]
  for (
    let column = Math.max(0, Math.round(middle - reach));
    column <= Math.min(values.length - 1, middle + reach);
    column += 1
  ) {
    high += values[column]! > 0.5 ? 1 : 0
    count += 1
  }
  return high / Math.max(1, count)
}

/** Near a hole the other thread shows on at least so much of it, where it shows at all. */
const SHOWS = 0.25

/**
 * Over a stitch that was skipped there is nothing of the other thread, neither on the line nor as a loop beside it. Where there is,
 * there is a hole that was only hard to see, and the one long stitch is two.
 * @param others of the other thread on the line; @param loops also beside it
 */
function withHidden(chain: Chain, period: number, others: Float32Array, loops: Float32Array): Link[] {
  const looped = chain.filter(({ at }) => shareNear(loops, at, period * 0.3) > SHOWS).length > 0.6 * chain.length
  return chain.flatMap((each, index) => {
    const before = chain[index - 1]
    if (each.steps < 2 || !before) return [each]
    const step = (each.at - before.at) / each.steps
    const between = Array.from({ length: each.steps - 1 }, (_, place) => before.at + step * (place + 1))
    const shown = between.filter(
      (at) => shareNear(others, at, period * 0.22) > SHOWS || (looped && shareNear(loops, at, period * 0.3) > SHOWS),
    )
    return shown.length === between.length ? [...shown, each.at].map((at) => ({ at, steps: 1 })) : [each]
  })
}

const NONE: SeenStitches = { zigzag: false, lengths: [], stitches: 0, skipped: 0, holes: [], regular: 0 }

function seen(chain: Chain, pxPerMm: number, regular: number, points: 1 | 2): SeenStitches {
  const gaps = chain.slice(1).map(({ at, steps }, index) => ({ mm: (at - chain[index]!.at) / pxPerMm / points, steps }))
  const lengths = gaps.filter(({ steps }) => steps === 1).map(({ mm }) => mm)
  return {
    zigzag: points === 2,
    lengths,
    stitches: gaps.length * points,
    skipped: gaps.reduce((sum, { steps }) => sum + steps - 1, 0),
    holes: chain.map(({ at }) => at / pxPerMm),
    regular: Math.max(0, Math.min(1, regular)),
  }
}

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
  const periods = sides.map((values) => periodOf(values, SHORTEST_MM * 1.2 * pxPerMm, LONGEST_MM * pxPerMm))
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
  const middles: number[] = []
  let [weight, sum] = [0, 0]
  for (let column = 0; column < width; column += 1) {
    const part = Math.max(own[from + column]!, other[from + column]!)
    if (part > 0.3) {
      weight += part
      sum += part * column
    } else if (weight > 0) {
      middles.push(sum / weight)
      weight = sum = 0
    }
  }
  return middles
}
