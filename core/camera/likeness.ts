import type { Members, Strip } from './strip'

/** A hole of a seam: where it lies along the strip, columns, and how many stitches lie between it and the one before. */
export interface Link {
  readonly at: number
  readonly steps: number
}
export type Chain = readonly Link[]

/** How far around a place a hole is told by, mm. */
const AROUND_MM = { along: 0.45, across: 0.35 } as const

/** What lies around a place of the seam: how bright, and how much of either thread. */
export function likenessOf(
  strip: Strip,
  { own, other }: Pick<Members, 'own' | 'other'>,
  line: Float32Array,
): (column: number) => Float32Array {
  const { width, height, middle, pxPerMm, shades } = strip
  const [along, across] = [Math.ceil(AROUND_MM.along * pxPerMm), Math.ceil(AROUND_MM.across * pxPerMm)]
  const size = (2 * along + 1) * (2 * across + 1)
  return (place) => {
    const around = new Float32Array(size * 3)
    let at = 0
    for (let step = -along; step <= along; step += 1) {
      const column = Math.max(0, Math.min(width - 1, Math.round(place) + step))
      const seam = Math.round(middle + line[column]!)
      for (let off = -across; off <= across; off += 1, at += 1) {
        const index = Math.max(0, Math.min(height - 1, seam + off)) * width + column
        around[at] = shades[index * 3]!
        around[size + at] = own[index]!
        around[2 * size + at] = other[index]!
      }
    }
    return around
  }
}

/** Of the way from thread to hole, how far half way between two holes must be to be a hole itself. */
const HOLE_BETWEEN = 0.5

/**
 * Whether half way between two holes it is a hole rather than the thread that lies a quarter of the way: by all that is seen there,
 * and by the own thread alone, which dips into each hole, while loops of the other one may have a foot anywhere.
 */
export function isTwoStitches(chain: Chain, period: number, around: (column: number) => Float32Array): boolean {
  if (chain.length < 6) return false
  const mean = (...offs: number[]) => meanOf(chain.flatMap(({ at }) => offs.map((off) => around(at + off * period))))
  const [hole, middle, thread] = [mean(0), mean(0.5), mean(-0.25, 0.25)]
  const between = (from: number, to: number) => {
    let [way, whole, off] = [0, 0, 0]
    for (let index = from; index < to; index += 1) {
      const apart = hole[index]! - thread[index]!
      way += (middle[index]! - thread[index]!) * apart
      whole += apart * apart
      off += (hole[index]! - middle[index]!) ** 2
    }
    // Where a hole is hardly told from the thread beside it, the other thread lies over both: what differs then is no hole.
    return off < whole && way > HOLE_BETWEEN * whole
  }
  const size = hole.length / 3
  return between(0, 3 * size) && between(size, 2 * size)
}

/** Less like the other holes than this, a place is none; a place between two stitches that is more like them is one. */
const HOLE = { least: 0.3, hidden: 0.55 } as const

/**
 * The same chain, looked at again with what it has taught: a hole looks like the other holes of this seam, and not like the middle
 * of a stitch. What does not was something else, and a stitch was skipped; what does, between two far apart, was overlooked.
 * @param stands whether something says by itself that a stitch was made there
 */
export function byLikeness(
  chain: Chain,
  period: number,
  around: (column: number) => Float32Array,
  stands: (column: number) => boolean,
): Link[] {
  const single = chain.filter(({ steps }) => steps === 1)
  if (single.length < 8) return [...chain]
  const holes = chain.map(({ at }) => around(at))
  const between = single.map(({ at }) => around(at - period / 2))
  const [hole, thread] = [meanOf(holes), meanOf(between)]
  // What differs from one hole to the next, or from one stitch to the next, tells little: a stripe of the cloth, a shadow.
  const [amongHoles, amongThreads] = [spreadOf(holes, hole), spreadOf(between, thread)]
  const differs = amongHoles.map((value, index) => value + amongThreads[index]! + EVEN)
  const unlikeness = hole.map((value, index) => (value - thread[index]!) / differs[index]!)
  const whole = hole.reduce((sum, value, index) => sum + (value - thread[index]!) * unlikeness[index]!, 0)
  /** 1 as a hole, 0 as the middle of a stitch */
  const likeHole = (place: Float32Array): number => {
    let sum = 0
    for (let index = 0; index < place.length; index += 1) sum += (place[index]! - thread[index]!) * unlikeness[index]!
    return sum / whole
  }
  const kept: Link[] = []
  let skippedBefore = 0
  for (const [index, { at, steps }] of chain.entries()) {
    const inside = index > 0 && index + 1 < chain.length
    if (inside && steps === 1 && chain[index + 1]!.steps === 1 && likeHole(holes[index]!) < HOLE.least && !stands(at)) {
      skippedBefore += 1
      continue
    }
    const before = kept.at(-1)
    const all = steps + skippedBefore
    skippedBefore = 0
    if (before && steps === 2 && all === 2) {
      // A little to either side, since nobody knows just where it would be.
      const middle = (before.at + at) / 2
      const near = [-0.12, -0.06, 0, 0.06, 0.12].map((off) => middle + off * period)
      const likes = near.map((place) => likeHole(around(place)))
      const most = Math.max(...likes)
      if (most > HOLE.hidden) {
        kept.push({ at: near[likes.indexOf(most)]!, steps: 1 }, { at, steps: 1 })
        continue
      }
    }
    kept.push({ at, steps: kept.length === 0 ? 0 : all })
  }
  return kept
}

/** Places that are all alike still differ so much: the square of a tenth of what a pixel may be. */
const EVEN = 0.01

/** How much many differ from their middle, place by place: the mean of the squares. */
function spreadOf(all: readonly Float32Array[], mean: Float32Array): Float32Array {
  const spread = new Float32Array(mean.length)
  for (const each of all)
    for (let index = 0; index < mean.length; index += 1)
      spread[index]! += (each[index]! - mean[index]!) ** 2 / all.length
  return spread
}

/** The middle of many, place by place. */
function meanOf(all: readonly Float32Array[]): Float32Array {
  const mean = new Float32Array(all[0]!.length)
  for (const each of all) for (let index = 0; index < mean.length; index += 1) mean[index]! += each[index]! / all.length
  return mean
}
