import { DIAL_FIT } from '../knowledge/tension/dial-fit'

/** One swatch as the fit sees it: where the dial stood, and what the faces showed. */
export interface DialReading {
  readonly dial: number
  readonly s: number
  /** the standard deviation of a score that was measured; absent: a grade by eye, which says no more than from where to where */
  readonly spread?: number
  /** a swatch of another day counts less */
  readonly past?: boolean
}

export interface DialFit {
  /** where the dial most likely is right, in its own marks */
  readonly best: number
  /** where it is right with four chances in five */
  readonly interval: readonly [number, number]
  /** change of the score with one mark, as fitted */
  readonly slope: number
  /** how likely a swatch sewn at this mark shows what the stitch wants */
  readonly chance: (mark: number) => number
}

const PLACES = 141
const SLOPES = 11
/** Places are looked for so far each side of the start, in numbers of an ordinary dial. */
const LOOK = 7

/** Error function by Abramowitz and Stegun 7.1.26, good to 1.5e-7. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x))
  const y =
    1 -
    ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x)
  return x < 0 ? -y : y
}
const below = (x: number): number => (1 + erf(x / Math.SQRT2)) / 2

/** The range of true scores behind what a face shows; a line or loops mean "at least". */
function shownBy(s: number): readonly [number, number] {
  const { own, far } = DIAL_FIT
  if (s === 0) return [-own, own]
  const [from, to] = Math.abs(s) < far ? [own, far] : [far, Infinity]
  return s > 0 ? [from, to] : [-to, -from]
}

/** How likely a reading is where the true score is so much; of a measure beside its likeliest. */
function chanceOf({ s, spread }: DialReading, truth: number): number {
  const { noise, hand } = DIAL_FIT
  if (spread !== undefined) return Math.exp(-((s - truth) ** 2) / (2 * (hand ** 2 + spread ** 2)))
  const [from, to] = shownBy(s)
  return below((to - truth) / noise) - below((from - truth) / noise)
}

/** How much the score changes with one number of an ordinary dial on this stack; absent: an ordinary one. */
export function expectedSlope(stackMm: number | undefined): number {
  const { slope, ordinaryStackMm, thinnest, thickest } = DIAL_FIT
  if (stackMm === undefined) return slope
  return slope * Math.min(thickest, Math.max(thinnest, ordinaryStackMm / stackMm))
}

/**
 * Fits score = target + slope · (dial − best) to the readings, by Bayes: the kit's start is where it is most likely right, the
 * slope is what dials usually do, and both give way to what this machine shows.
 * @param unit one number of an ordinary dial in this dial's marks
 */
export function fitDial(
  readings: readonly DialReading[],
  question: {
    readonly start: number
    readonly unit: number
    readonly target: number
    /** the scores that a face may show when the stitch is right; absent: its own colour alone */
    readonly accepted?: readonly number[]
    readonly stackMm?: number | undefined
  },
): DialFit {
  const { start, unit, target, accepted = [0] } = question
  const { placeSpread, farSpread, farShare, slopeSpread, noise, lapse, pastWeight, credible } = DIAL_FIT
  const usual = expectedSlope(question.stackMm) / unit
  const reach = LOOK * unit
  const logSpread = Math.log(slopeSpread)
  const weights = new Float64Array(PLACES)
  const both = new Float64Array(PLACES * SLOPES)
  const slopeWeights = new Float64Array(SLOPES)
  for (let i = 0; i < PLACES; i += 1) {
    const place = start - reach + (2 * reach * i) / (PLACES - 1)
    const away = (place - start) / unit
    const prior = (1 - farShare) * bell(away / placeSpread, placeSpread) + farShare * bell(away / farSpread, farSpread)
    for (let j = 0; j < SLOPES; j += 1) {
      const wide = -2 + (4 * j) / (SLOPES - 1)
      const slope = usual * Math.exp(wide * logSpread)
      let log = Math.log(prior) - (wide * wide) / 2
      for (const reading of readings) {
        const truth = target + slope * (reading.dial - place)
        const chance = chanceOf(reading, truth)
        log += (reading.past ? pastWeight : 1) * Math.log(lapse + (1 - lapse) * chance)
      }
      const weight = Math.exp(log)
      weights[i]! += weight
      both[i * SLOPES + j] = weight
      slopeWeights[j]! += weight
    }
  }
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  const at = (share: number): number => {
    let sum = 0
    for (let i = 0; i < PLACES; i += 1) {
      const next = sum + weights[i]! / total
      if (next >= share) {
        const within = (share - sum) / (next - sum)
        return start - reach + (2 * reach * (i - 0.5 + within)) / (PLACES - 1)
      }
      sum = next
    }
    return start + reach
  }
  const tail = (1 - credible) / 2
  const slope = slopeWeights.reduce(
    (sum, weight, j) => sum + (weight / total) * usual * Math.exp((-2 + (4 * j) / (SLOPES - 1)) * logSpread),
    0,
  )
  const shown = accepted.map(shownBy)
  const low = Math.min(...shown.map(([from]) => from))
  const high = Math.max(...shown.map(([, to]) => to))
  const chance = (mark: number): number => {
    let sum = 0
    for (let i = 0; i < PLACES; i += 1) {
      const place = start - reach + (2 * reach * i) / (PLACES - 1)
      for (let j = 0; j < SLOPES; j += 1) {
        const weight = both[i * SLOPES + j]!
        if (weight < total * 1e-6) continue
        const truth = target + usual * Math.exp((-2 + (4 * j) / (SLOPES - 1)) * logSpread) * (mark - place)
        sum += weight * (below((high - truth) / noise) - below((low - truth) / noise))
      }
    }
    return sum / total
  }
  return { best: at(0.5), interval: [at(tail), at(1 - tail)], slope, chance }
}

const bell = (x: number, spread: number): number => Math.exp((-x * x) / 2) / spread

/** Plain least squares: change of the score with one mark; undefined when the dial never moved. */
export function plainSlope(readings: readonly DialReading[]): number | undefined {
  const meanDial = readings.reduce((sum, { dial }) => sum + dial, 0) / readings.length
  const spread = readings.reduce((sum, { dial }) => sum + (dial - meanDial) ** 2, 0)
  if (spread === 0) return undefined
  return readings.reduce((sum, { dial, s }) => sum + (dial - meanDial) * s, 0) / spread
}
