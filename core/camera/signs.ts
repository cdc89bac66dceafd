import { near, stitchPeriodOf, type Period } from './period'
import { median, runsOf, smoothed, standing } from './rows'
import type { Strip } from './strip'

/** What thread lies in each column of the strip no further than so far from a line. */
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

/** Loops stand off the line from so far to so far, mm; so much of a thread beside one column is all of it. */
const LOOP_MM = { from: 0.7, to: 3.5, thread: 0.3 } as const

/** How much of the other thread stands off the line over each column: each loop of it is one stitch, whatever its feet look like. */
export function loopsOver(
  { width, height, middle, pxPerMm }: Strip,
  other: Float32Array,
  line: Float32Array,
): Float32Array {
  const loops = new Float32Array(width)
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      if (other[row * width + column]! <= 0.5) continue
      const off = Math.abs(row - middle - line[column]!) / pxPerMm
      if (off > LOOP_MM.from && off < LOOP_MM.to) loops[column]! += 1
    }
  return loops.map((count) => Math.min(1, count / (LOOP_MM.thread * pxPerMm)))
}

/** So many times as long as the middle one a stretch of thread is no stitch like the others; where those are much of it the others are no stitches. */
const LONG = { times: 1.8, most: 0.25 } as const

/** Where a stitch was skipped thread lies for twice as long, and says nothing of how long a stitch is: 1 in those columns. */
export function longRuns(owns: Float32Array): Uint8Array {
  const runs = runsOf(owns.length, (column) => owns[column]! > 0.5)
  const usual = median(runs.map(({ from, to }) => to - from))
  const long = new Uint8Array(owns.length)
  for (const { from, to } of runs) if (to - from > LONG.times * usual) long.fill(1, from, to)
  return long.reduce((sum, one) => sum + one, 0) > LONG.most * owns.length ? long.fill(0) : long
}

/** How dark it is along a line, or so far beside it: what is close to it as well, since thread is narrow. */
export function darkOn(
  { width, height, middle, pxPerMm, shades }: Strip,
  line: Float32Array,
  offMm: number,
): Float32Array {
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
export const STRIPES = { besideMm: [-5, -3.5, 3.5, 5], like: 0.3, weight: 0.1 } as const

/** Whether what comes again on a seam comes again beside it as well: then it is the cloth's and tells nothing of stitches. */
export function besideToo(strip: Strip, line: Float32Array, { lag }: Period): boolean {
  const { pxPerMm } = strip
  const beside = STRIPES.besideMm.map((off) => {
    const values = standing(smoothed(darkOn(strip, line, off), 0.12 * pxPerMm), 4 * pxPerMm)
    return stitchPeriodOf(values, pxPerMm)
  })
  return beside.filter((one) => one.like > STRIPES.like && near(one, { lag })).length * 2 > beside.length
}

/** Whether a thread is darker than the cloth that lies beside its seam. */
export function isDarkThread({ width, height, middle, pxPerMm, shades }: Strip, own: Float32Array): boolean {
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
