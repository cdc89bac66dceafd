/** How much thread sewing takes beyond its geometry. Source: common practice. */
export const THREAD_USE = {
  /** take-up and waste, on every metre of seam */
  takeUp: 1.15,
  /** two tails of 18 cm at each seam's start, each thread */
  perStartM: 0.36,
  perSwatchM: 0.5,
  /** a group of beginners unpicks */
  beginners: 1.25,
  /** a bobbin is wound to this share of what it could hold */
  fill: 0.9,
} as const

/** Nominal usable volumes by bobbin class. Others are measured, and the room's measured value wins. */
export const BOBBIN_VOLUMES_MM3: Readonly<Record<string, number>> = {
  '15': 2290,
  '15J': 2290,
  L: 1700,
  M: 3300,
}
