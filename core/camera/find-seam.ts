import { boxMeans } from '../picture/means'
import type { Picture } from '../picture/picture'
import { BRIGHT, LEANS, logsUnder, type Balance, type Shade } from './colours'

/** A line through a picture, pixels: where it passes, which way it goes, and how far it goes on each side of there. */
export interface SeamLine {
  readonly x: number
  readonly y: number
  /** a unit step along it */
  readonly alongX: number
  readonly alongY: number
  readonly from: number
  readonly to: number
  /** how much more there is of thread on it than beside it, for each pixel of its length */
  readonly weight: number
}

/** A place that is no cloth: a tag. Pixels, as a polygon. */
export type Hidden = readonly { readonly x: number; readonly y: number }[]

/** Whether a pixel lies in a polygon. */
export function inside(hidden: Hidden, x: number, y: number): boolean {
  let is = false
  for (let at = 0, before = hidden.length - 1; at < hidden.length; before = at, at += 1) {
    const [a, b] = [hidden[at]!, hidden[before]!]
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) is = !is
  }
  return is
}

/** So far to either side of a thread is what is not it, mm: more than a thick one is wide, less than two stitches of a zigzag are apart. */
const ASIDE_MM = 0.8
/** Ways across a thread. */
const ACROSS = [
  [1, 0],
  [0, 1],
  [Math.SQRT1_2, Math.SQRT1_2],
  [Math.SQRT1_2, -Math.SQRT1_2],
] as const

/** How much each pixel looks like one of the threads and unlike what lies around it; 0 … 1. */
export function threadMap(
  picture: Picture,
  threads: readonly Shade[],
  balance: Balance,
  pxPerMm: number,
  hidden: readonly Hidden[],
): Float32Array {
  const { width, height, pixels } = picture
  const map = new Float32Array(width * height)
  const [reds, greens, blues] = logsUnder(balance)
  const reach = Math.max(2, Math.round(2.4 * pxPerMm))
  const bright = new Float32Array(map.length)
  const red = new Float32Array(map.length)
  const blue = new Float32Array(map.length)
  for (let index = 0, at = 0; index < map.length; index += 1, at += 3) {
    const r = reds[pixels[at]!]!
    const g = greens[pixels[at + 1]!]!
    const b = blues[pixels[at + 2]!]!
    bright[index] = (r + 2 * g + b) / 4 / BRIGHT
    red[index] = (r - g) / LEANS
    blue[index] = (b - g) / LEANS
  }
  const [brightAround, redAround, blueAround] = [
    boxMeans(bright, width, height, reach),
    boxMeans(red, width, height, reach),
    boxMeans(blue, width, height, reach),
  ]
  const like = new Float32Array(map.length)
  const aside = Math.max(2, ASIDE_MM * pxPerMm)
  const sides = ACROSS.map(([right, down]) => ({ dx: Math.round(right * aside), dy: Math.round(down * aside) }))
  // Each thread by itself: one that is like the cloth tells nothing, and hides nothing of the other. A thread is hardly wider than
  // a pixel here, so each pixel is looked at for how far it lies on the way from what is around it to the thread. These loops run
  // over every pixel, and make nothing on their way but numbers.
  for (const thread of threads) {
    const goal0 = thread[0] / BRIGHT
    const goal1 = thread[1] / LEANS
    const goal2 = thread[2] / LEANS
    /** How far a pixel is on the way from what lies beside it to the thread; one beside it that is not there is itself. */
    const on = (here: number, column: number, row: number): number => {
      const beside = column < 0 || row < 0 || column >= width || row >= height ? here : row * width + column
      const b0 = bright[beside]!
      const b1 = red[beside]!
      const b2 = blue[beside]!
      const v0 = goal0 - b0
      const v1 = goal1 - b1
      const v2 = goal2 - b2
      const long = v0 * v0 + v1 * v1 + v2 * v2
      if (long < 0.3) return 0
      return Math.min(1, ((bright[here]! - b0) * v0 + (red[here]! - b1) * v1 + (blue[here]! - b2) * v2) / long)
    }
    like.fill(0)
    for (let index = 0; index < map.length; index += 1) {
      const m0 = brightAround[index]!
      const m1 = redAround[index]!
      const m2 = blueAround[index]!
      const v0 = goal0 - m0
      const v1 = goal1 - m1
      const v2 = goal2 - m2
      const q0 = bright[index]! - m0
      const q1 = red[index]! - m1
      const q2 = blue[index]! - m2
      const long = v0 * v0 + v1 * v1 + v2 * v2
      const way = q0 * v0 + q1 * v1 + q2 * v2
      if (long < 0.6 || way < 0.15 * long) continue
      const part = Math.min(way / long, 1)
      const o0 = q0 - part * v0
      const o1 = q1 - part * v1
      const o2 = q2 - part * v2
      const off = o0 * o0 + o1 * o1 + o2 * o2
      // A little of a thread may be a little of anything: far from the cloth it is told best.
      if (off < 9) like[index] = part * Math.min(1, long / 6) * Math.exp(-off / 1.6)
    }
    const usual = boxMeans(like, width, height, reach)
    // A thread has something else on both its sides; the edge of a swatch on a dark table has it on one.
    for (let row = 0, index = 0; row < height; row += 1)
      for (let column = 0; column < width; column += 1, index += 1) {
        const here = like[index]! - 1.6 * usual[index]! - 0.05
        if (here <= map[index]!) continue
        let ridge = 0
        for (let side = 0; side < sides.length; side += 1) {
          const { dx, dy } = sides[side]!
          const one = on(index, column + dx, row + dy)
          if (one > ridge) ridge = Math.max(ridge, Math.min(one, on(index, column - dx, row - dy)))
        }
        map[index] = Math.max(map[index]!, here * Math.min(1, 2 * ridge * ridge))
      }
  }
  for (const shape of hidden) {
    const [left, right] = [Math.min(...shape.map(({ x }) => x)), Math.max(...shape.map(({ x }) => x))]
    const [top, foot] = [Math.min(...shape.map(({ y }) => y)), Math.max(...shape.map(({ y }) => y))]
    for (let row = Math.max(0, Math.floor(top)); row <= Math.min(height - 1, foot); row += 1)
      for (let column = Math.max(0, Math.floor(left)); column <= Math.min(width - 1, right); column += 1)
        if (inside(shape, column, row)) map[row * width + column] = 0
  }
  return map
}

const DIRECTIONS = 180
/** A seam is this wide at most, mm, with what stands off it. */
const BANDS_MM = [0.7, 2, 4, 7] as const
/** A seam may be broken for so long; between two pieces of it for as long as a nest is, mm. */
const BROKEN_MM = 8
const NEST_MM = 16
const PIECE_MM = 5
/** As wide as a nest lies about the line, mm. */
const TANGLE_MM = 6
/** So much of a picture is plainest; thread is what is like one at least to this part of that, between these two. */
const PLAINEST = { share: 0.002, of: 0.6, least: 0.06, most: 0.18 } as const
/** More points than these say no more. */
const MOST_POINTS = 16_000

/**
 * The line on which most thread lies: every direction is tried, and of each all places; a zigzag is a wide line. Undefined where
 * nothing is like a seam.
 */
export function findSeam(map: Float32Array, width: number, height: number, pxPerMm: number): SeamLine | undefined {
  const points: { x: number; y: number; weight: number }[] = []
  const all: number[] = []
  // A thread that is only a little unlike its cloth is a thread where nothing is more like one.
  const sorted = Float32Array.from({ length: Math.ceil(map.length / 7) }, (_, index) => map[index * 7]!).sort()
  const plainest = sorted[Math.floor(sorted.length * (1 - PLAINEST.share))]!
  const least = Math.max(PLAINEST.least, Math.min(PLAINEST.most, PLAINEST.of * plainest))
  for (let index = 0; index < map.length; index += 1) if (map[index]! > least) all.push(index)
  if (all.length < 30) return undefined
  const every = Math.max(1, all.length / MOST_POINTS)
  for (let at = 0; at < all.length; at += every) {
    const index = all[Math.floor(at)]!
    points.push({ x: index % width, y: Math.floor(index / width), weight: map[index]! * every })
  }
  const xs = Float64Array.from(points, ({ x }) => x)
  const ys = Float64Array.from(points, ({ y }) => y)
  const weights = Float64Array.from(points, ({ weight }) => weight)
  const cell = Math.max(1, 0.25 * pxPerMm)
  const reach = Math.ceil(Math.hypot(width, height) / cell) + 2
  let best = { value: 0, direction: 0, off: 0, band: 0 }
  const row = new Float64Array(2 * reach + 1)
  const sums = new Float64Array(2 * reach + 2)
  for (let direction = 0; direction < DIRECTIONS; direction += 1) {
    const [cos, sin] = [Math.cos((direction * Math.PI) / DIRECTIONS), Math.sin((direction * Math.PI) / DIRECTIONS)]
    row.fill(0)
    const [right, down] = [-sin / cell, cos / cell]
    // Half a cell more, and cut off: rounded, since none is below nothing.
    for (let at = 0; at < xs.length; at += 1) row[(xs[at]! * right + ys[at]! * down + reach + 0.5) | 0]! += weights[at]!
    for (let at = 0; at < row.length; at += 1) sums[at + 1] = sums[at]! + row[at]!
    for (const band of BANDS_MM) {
      const half = Math.max(1, Math.round((band * pxPerMm) / cell / 2))
      for (let at = half; at + half < row.length; at += 1) {
        const sum = sums[at + half + 1]! - sums[at - half]!
        // A wide band gathers more of anything: it must be worth its width.
        const value = sum / Math.sqrt(2 * half + 1 + 2)
        if (value > best.value) best = { value, direction, off: (at - reach) * cell, band }
      }
    }
  }
  const [cos, sin] = [
    Math.cos((best.direction * Math.PI) / DIRECTIONS),
    Math.sin((best.direction * Math.PI) / DIRECTIONS),
  ]
  return drawnThrough(points, { cos, sin, off: best.off }, Math.max(best.band, 0.7) * pxPerMm, pxPerMm)
}

/** The line through the points near a first guess, by least squares twice, and from where to where it goes. */
function drawnThrough(
  points: readonly { x: number; y: number; weight: number }[],
  guess: { cos: number; sin: number; off: number },
  band: number,
  pxPerMm: number,
): SeamLine | undefined {
  let { cos, sin, off } = guess
  for (const wide of [1.4, 1, 0.8]) {
    let [weight, meanT, meanR] = [0, 0, 0]
    const near = points
      .map(({ x, y, weight: w }) => ({ t: x * cos + y * sin, r: y * cos - x * sin - off, w }))
      .filter(({ r }) => Math.abs(r) < (band * wide) / 2 + pxPerMm * 0.5)
    if (near.length < 20) return undefined
    for (const { t, r, w } of near) {
      weight += w
      meanT += t * w
      meanR += r * w
    }
    meanT /= weight
    meanR /= weight
    let [tt, tr] = [0, 0]
    for (const { t, r, w } of near) {
      tt += (t - meanT) ** 2 * w
      tr += (t - meanT) * (r - meanR) * w
    }
    const slope = tt === 0 ? 0 : tr / tt
    const turn = Math.atan(slope)
    const [x, y] = [meanT * cos - (off + meanR) * sin, meanT * sin + (off + meanR) * cos]
    const angle = Math.atan2(sin, cos) + turn
    cos = Math.cos(angle)
    sin = Math.sin(angle)
    off = y * cos - x * sin
  }
  // Along it: where thread lies, cell by cell of a millimetre. A nest hides the line and lies wide beside it, or hides all of it
  // between two pieces that are plain.
  const cells = new Map<number, number>()
  const tangles = new Map<number, number>()
  let sum = 0
  for (const { x, y, weight } of points) {
    const across = Math.abs(y * cos - x * sin - off)
    const at = Math.floor((x * cos + y * sin) / pxPerMm)
    if (across < (TANGLE_MM / 2) * pxPerMm) tangles.set(at, (tangles.get(at) ?? 0) + weight)
    if (across > band / 2 + pxPerMm * 0.4) continue
    cells.set(at, (cells.get(at) ?? 0) + weight)
    sum += weight
  }
  const usual = [...cells.values()].sort((a, b) => a - b)[Math.floor(cells.size * 0.6)] ?? 0
  const full = [...tangles]
    .filter(([at, weight]) => (cells.get(at) ?? 0) > usual * 0.3 || weight > usual * 1.5)
    .map(([at]) => at)
    .sort((a, b) => a - b)
  const runs: { from: number; to: number }[] = []
  for (const at of full) {
    const last = runs.at(-1)
    if (last && at - last.to <= BROKEN_MM) last.to = at
    else runs.push({ from: at, to: at })
  }
  const whole: { from: number; to: number }[] = []
  for (const run of runs) {
    const last = whole.at(-1)
    const long = ({ from, to }: { from: number; to: number }) => to - from >= PIECE_MM
    if (last && run.from - last.to <= NEST_MM && long(last) && long(run)) last.to = run.to
    else whole.push({ ...run })
  }
  const longest = whole.reduce((best, run) => (run.to - run.from > best.to - best.from ? run : best), {
    from: 0,
    to: 0,
  })
  if (longest.to - longest.from < 4) return undefined
  const [from, to] = [longest.from * pxPerMm, (longest.to + 1) * pxPerMm]
  const middle = (from + to) / 2
  return {
    x: middle * cos - off * sin,
    y: middle * sin + off * cos,
    alongX: cos,
    alongY: sin,
    from: from - middle,
    to: to - middle,
    weight: sum / (to - from),
  }
}
