import { median, runsOf, smoothed } from './rows'
import { coverOf } from './signs'
import type { Members, Strip } from './strip'

/** So near its middle a place is on the thread, whatever the thread. */
export const ON_THREAD_MM = 0.12

/** A zigzag is on its own middle for a fifth of the way; cloth that looks like thread now and then is so beside the line as well. */
const RUNS = { least: 0.05, timesBeside: 3, besideMm: [-6, -4, 4, 6] } as const

/** Whether thread runs along the line, looked at as closely as the photograph goes, and not beside it. */
export function threadRuns(strip: Strip, members: Members): boolean {
  const line = lineOf(strip, members)
  const lies = liesAlong(strip, members)
  const share = (offMm: number) => lies(line.map((row) => row + offMm * strip.pxPerMm))
  const beside = RUNS.besideMm.reduce((sum, off) => sum + share(off), 0) / RUNS.besideMm.length
  return share(0) > Math.max(RUNS.least, RUNS.timesBeside * beside)
}

/** Of the length of a line through the strip, on how much of it either thread lies. */
export function liesAlong(strip: Strip, { own, other }: Members): (line: Float32Array) => number {
  const either = own.map((value, index) => Math.max(value, other[index]!))
  return (line) =>
    coverOf(either, strip, line, 2 * ON_THREAD_MM).reduce((sum, value) => sum + (value > 0.5 ? 1 : 0), 0) / line.length
}

/** How much there is of a thread near the seam. */
export function massOf({ width, height, middle, pxPerMm }: Strip, of: Float32Array): number {
  let sum = 0
  const reach = Math.round(0.6 * pxPerMm)
  for (let row = Math.max(0, middle - reach); row <= Math.min(height - 1, middle + reach); row += 1)
    for (let column = 0; column < width; column += 1) sum += of[row * width + column]! > 0.5 ? 1 : 0
  return sum
}

/** Thread so far to each side may belong to the seam; a place of the line rests on what lies so far along it, mm. */
const LINE_MM = { across: 3, along: 3.5, every: 0.5 } as const
/** Where there is less of the own thread than this for the other's, the line is told by both: the other lies over it. */
const OWN_SCARCE = 0.2

/**
 * The seam's own line through the strip, rows from its middle. It goes where the middle of the own thread lies, not its mean: loops
 * stand off to one side, and a line told by them would stray with them.
 */
export function lineOf(strip: Strip, { own, other }: Members): Float32Array {
  const { width, middle, pxPerMm } = strip
  const reach = Math.min(middle, Math.round(LINE_MM.across * pxPerMm))
  const rows = 2 * reach + 1
  const every = Math.max(1, Math.round(LINE_MM.every * pxPerMm))
  const cells = Math.ceil(width / every)
  const massIn = (of: Float32Array) => {
    const mass = new Float32Array(cells * rows)
    for (let off = 0; off < rows; off += 1) {
      const from = (middle - reach + off) * width
      for (let column = 0; column < width; column += 1) {
        const part = of[from + column]!
        if (part >= 0.4) mass[Math.floor(column / every) * rows + off]! += part
      }
    }
    return mass
  }
  const sumOf = (values: Float32Array) => values.reduce((sum, value) => sum + value, 0)
  const [owns, others] = [massIn(own), massIn(other)]
  const mass =
    sumOf(owns) < OWN_SCARCE * sumOf(others) ? owns.map((value, index) => Math.max(value, others[index]!)) : owns
  const wide = Math.round(LINE_MM.along / LINE_MM.every)
  const around = new Float32Array(rows)
  const knots = new Float32Array(cells)
  for (let cell = 0; cell < cells; cell += 1) {
    around.fill(0)
    for (let near = Math.max(0, cell - wide); near <= Math.min(cells - 1, cell + wide); near += 1)
      for (let off = 0; off < rows; off += 1) around[off]! += mass[near * rows + off]!
    const half = sumOf(around) / 2
    let [sum, off] = [0, 0]
    while (off < rows - 1 && sum + around[off]! < half) sum += around[off++]!
    knots[cell] = half > 0 ? off - 0.5 + (half - sum) / Math.max(1e-6, around[off]!) - reach : (knots[cell - 1] ?? 0)
  }
  const line = Float32Array.from({ length: width }, (_, column) => {
    const at = Math.max(0, Math.min(cells - 1, column / every - 0.5))
    const before = Math.floor(at)
    const after = Math.min(cells - 1, before + 1)
    return knots[before]! + (knots[after]! - knots[before]!) * (at - before)
  })
  return smoothed(line, pxPerMm)
}

/** How thick a thread is, mm, whichever way it lies: of all stretches of it along rows and along columns, the middle ones. */
export function thicknessOf({ width, height, pxPerMm }: Strip, { own, other }: Members): number {
  const lies = (column: number, row: number) => own[row * width + column]! + other[row * width + column]! > 0.5
  const usual = (lines: number, long: number, on: (line: number, at: number) => boolean): number => {
    const lengths: number[] = []
    for (let line = 0; line < lines; line += 3)
      for (const { from, to } of runsOf(long, (at) => on(line, at))) if (to - from > 1) lengths.push(to - from)
    return median(lengths) / pxPerMm || 0.3
  }
  const across = usual(width, height, lies)
  const along = usual(height, width, (row, column) => lies(column, row))
  return Math.min(0.6, 1 / Math.hypot(1 / across, 1 / along))
}
