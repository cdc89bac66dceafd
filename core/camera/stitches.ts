import type { Chain } from './likeness'

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

export const NONE: SeenStitches = { zigzag: false, lengths: [], stitches: 0, skipped: 0, holes: [], regular: 0 }

export function seen(chain: Chain, pxPerMm: number, regular: number, points: 1 | 2): SeenStitches {
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
