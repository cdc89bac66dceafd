import { median } from './rows'
import type { Members, Strip } from './strip'

export const LOOKS = ['own', 'dots', 'line', 'loops', 'nest'] as const
export type Look = (typeof LOOKS)[number]

/** Other colour on less of the seam than this is its own; up to the second, dots. */
export const SHARES = { own: 0.08, dots: 0.45 } as const
/** Further off the line than this a thread is a loop; wider than the second, with so much of that covered, a nest, or with less of it in one place alone. */
const OFF_MM = { loop: 0.8, nest: 3, covered: 1.6, alone: 0.9 } as const

/** Between the marks of the scale a share says how far it is from one to the next; a nest has no score. */
export function scoreOf(look: Look, share: number, face: 'top' | 'under'): number | null {
  if (look === 'nest') return null
  const sign = face === 'top' ? 1 : -1
  if (look === 'loops') return 3 * sign
  const marks = [
    [0, 0],
    [0.08, 0.5],
    [0.2, 1],
    [0.45, 2.2],
    [0.7, 3],
    [1, 3],
  ] as const
  const next = marks.findIndex(([at]) => at >= share)
  const [[fromShare, fromScore], [toShare, toScore]] = [marks[Math.max(0, next - 1)]!, marks[Math.max(1, next)]!]
  const score = fromScore + ((share - fromShare) / (toShare - fromShare)) * (toScore - fromScore)
  return Math.round(sign * Math.max(0, score) * 100) / 100
}

/** Of a thread in a row across a zigzag at least so much of its thickness is seen. */
const SEEN_ACROSS = 0.6

/** The columns in which a thread lies somewhere across a zigzag: 1 there. */
export function pointsOf(
  of: Float32Array,
  { width, height, middle, pxPerMm }: Strip,
  withinMm: number,
  threadMm: number,
): Float32Array {
  const reach = withinMm * pxPerMm
  const least = Math.max(1, SEEN_ACROSS * threadMm * pxPerMm)
  return Float32Array.from({ length: width }, (_, column) => {
    let run = 0
    for (let row = Math.max(0, Math.ceil(middle - reach)); row <= Math.min(height - 1, middle + reach); row += 1) {
      run = of[row * width + column]! > 0.5 ? run + 1 : 0
      if (run >= least) return 1
    }
    return 0
  })
}

/** At how many of the holes the other thread stands off the line. */
export function offLine(
  strip: Strip,
  { other }: Members,
  line: Float32Array,
  holes: readonly number[],
  halfWidthMm: number,
): number {
  const { width, height, middle, pxPerMm } = strip
  const flat = halfWidthMm > 0
  const far = new Float32Array(width)
  for (let column = 0; column < width; column += 1) {
    const at = middle + (flat ? 0 : line[column]!)
    const start = (halfWidthMm + (flat ? 0.5 : OFF_MM.loop)) * pxPerMm
    let count = 0
    for (let row = 0; row < height; row += 1)
      if (Math.abs(row - at) > start && Math.abs(row - at) < 5 * pxPerMm && other[row * width + column]! > 0.5)
        count += 1
    far[column] = count
  }
  let looped = 0
  for (const [index, hole] of holes.entries()) {
    const step =
      ((holes[index + 1] ?? hole) - (holes[index - 1] ?? hole)) / (index === 0 || index === holes.length - 1 ? 1 : 2)
    const half = Math.max(0.5, Math.min(2, step / 2))
    let sum = 0
    for (
      let column = Math.max(0, Math.round((hole - half) * pxPerMm));
      column < Math.min(width, (hole + half) * pxPerMm);
      column += 1
    )
      sum += far[column]!
    // At least as much of it as a thread laid across once.
    if (sum > 0.05 * pxPerMm * pxPerMm) looped += 1
  }
  return looped / Math.max(1, holes.length)
}

/** The columns over which the other thread lies tangled and wide: 1 there. */
export function tangled(strip: Strip, { other }: Members, halfWidthMm: number): Uint8Array {
  const { width, height, pxPerMm } = strip
  const columns = new Uint8Array(width)
  // A window of three millimetres along: how wide the other thread lies in it, and how much of that it covers: loops to
  // both sides reach as far, and cover little.
  const wide = Math.round(3 * pxPerMm)
  const windows: {
    readonly from: number
    readonly until: number
    readonly extent: number
    readonly covered: number
  }[] = []
  for (let from = 0; from < width; from += Math.round(pxPerMm)) {
    const rows = new Float32Array(height)
    const until = Math.min(width, from + wide)
    for (let column = from; column < until; column += 1)
      for (let row = 0; row < height; row += 1) if (other[row * width + column]! > 0.5) rows[row]! += 1
    let [low, high] = [-1, -1]
    let area = 0
    for (let row = 0; row < height; row += 1)
      if (rows[row]! > 0.12 * (until - from)) {
        if (low < 0) low = row
        high = row
        area += rows[row]!
      }
    windows.push({ from, until, extent: (high - low) / pxPerMm, covered: area / pxPerMm / (until - from) })
  }
  // Loops stand along the whole of a seam; what lies in one place and nowhere else need not cover as much.
  const least = Math.min(OFF_MM.covered, Math.max(OFF_MM.alone, 3 * median(windows.map(({ covered }) => covered))))
  for (const { from, until, extent, covered } of windows)
    if (extent > OFF_MM.nest + halfWidthMm * 2 && covered > least) columns.fill(1, from, until)
  return columns
}
