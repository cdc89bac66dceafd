/**
 * What a room knows of dials before it has turned this one: the prior of the straight line, and how finely eyes read. In
 * numbers of an ordinary 0–9 dial; a dial of another scale is measured in its own numbers. Source: chapter of common
 * practice on reading swatches; the spreads are judgement.
 */
export const DIAL_FIT = {
  /** change of the score with one number of the dial, on a stack of ordinary thickness */
  slope: 0.8,
  /** thickness at which that slope holds; a thin stack shows small changes */
  ordinaryStackMm: 0.6,
  thinnest: 0.35,
  thickest: 2.5,
  /** how far the slope may differ, as a factor each way */
  slopeSpread: 1.8,
  /** how far the right place usually lies from where a kit starts, and how far that of one machine in so many does */
  placeSpread: 1.2,
  farSpread: 3,
  farShare: 0.25,
  /** error of the eye and the hand, in score */
  noise: 0.35,
  /** of the hand alone: how far two seams sewn alike differ, where the reading is a measure with a spread of its own */
  hand: 0.2,
  /** share of readings that say nothing at all */
  lapse: 0.02,
  /** |score| below which a face shows its own colour alone, and from which dots have become a line or loops */
  own: 0.5,
  far: 2,
  /** weight of a swatch of some other day beside one of today */
  pastWeight: 0.35,
  /** share of the interval that is told */
  credible: 0.8,
} as const

/** When a person stops turning. In numbers of an ordinary dial. */
export const DIAL_LIMITS = {
  /** a learner never turns further from the kit's starting dial, though never less than so many marks each way */
  reach: 2,
  leastMarks: 2,
  /** a first move smaller than this shows nothing */
  firstMove: 1,
  /** once readings lie either side */
  laterMove: 0.5,
  /** a learner's; staff go on while the trend is clear */
  mostSwatches: 5,
  /** found further off than this before the first swatch, it is put back and nothing else */
  foundOff: 1,
  /** right further off than this, it is good for tonight and noted */
  noted: 2,
  /** a dial that changes nothing: so many swatches, over at least so much, with less slope than this */
  flatSwatches: 3,
  flatSpan: 1.5,
  flatSlope: 0.2,
  /** where two swatches look alike, the third is so far from the first that every dial that works would show it */
  telling: 4.5,
} as const
