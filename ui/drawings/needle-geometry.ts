import type { Point } from '@/core/knowledge/needle/needle'

/** Widths of the drawing are to this scale; lengths are shortened, as the break marks say. */
export const PX_PER_MM = 30

export interface NeedleMeasures {
  readonly sizeNm: number
  readonly eyeMm: number
  readonly threadMm: number
  readonly point: Point
  readonly gapMm?: number
}

/** How a tip is drawn: the length of its taper and the radius of its end, in parts of the blade's width. */
const TIPS: Readonly<Record<Point, { readonly taper: number; readonly round: number; readonly wings?: true }>> = {
  universal: { taper: 1.6, round: 0.12 },
  microtex: { taper: 2.4, round: 0.02 },
  ballpoint: { taper: 1.3, round: 0.34 },
  stretch: { taper: 1.4, round: 0.3 },
  jeans: { taper: 1.9, round: 0.14 },
  leather: { taper: 1.9, round: 0.01 },
  quilting: { taper: 2.2, round: 0.06 },
  embroidery: { taper: 1.5, round: 0.2 },
  metallic: { taper: 1.8, round: 0.1 },
  topstitch: { taper: 2.1, round: 0.04 },
  wing: { taper: 1.8, round: 0.08, wings: true },
  'twin-universal': { taper: 1.6, round: 0.12 },
  'twin-ballpoint': { taper: 1.3, round: 0.34 },
  'twin-stretch': { taper: 1.4, round: 0.3 },
}

export interface NeedleGeometry {
  readonly bladePx: number
  readonly eyePx: number
  readonly threadPx: number
  /** centres of the blades: one, or two for a twin */
  readonly centres: readonly number[]
  readonly tip: { readonly taperPx: number; readonly roundPx: number; readonly wings: boolean }
}

/** A needle's drawing in pixels, from its measures in mm. */
export function needleGeometry(needle: NeedleMeasures): NeedleGeometry {
  const bladePx = (needle.sizeNm / 100) * PX_PER_MM
  const tip = TIPS[needle.point]
  const half = ((needle.gapMm ?? 0) / 2) * PX_PER_MM
  return {
    bladePx,
    eyePx: needle.eyeMm * PX_PER_MM,
    threadPx: needle.threadMm * PX_PER_MM,
    centres: needle.gapMm ? [-half, half] : [0],
    tip: { taperPx: tip.taper * bladePx, roundPx: tip.round * bladePx, wings: tip.wings ?? false },
  }
}
