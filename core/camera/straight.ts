import { byLikeness, isTwoStitches, likenessOf, type Chain, type Link } from './likeness'
import { chainOf, near, peaksOf, STITCH_MM, stitchPeriodOf, type Period } from './period'
import { broad, shareNear, smoothed, standing, sumOf, swinging } from './rows'
import { besideToo, coverOf, darkOn, isDarkThread, longRuns, loopsOver, STRIPES } from './signs'
import { NONE, seen, type SeenStitches } from './stitches'
import type { Members, Strip } from './strip'

/**
 * The stitches of a straight line: where the own thread dips into its hole, where the other one comes up, where it is dark. Each
 * of these counts as much as it comes again regularly.
 * @param tangled columns where a nest hides whatever there is: 1
 */
export function straightStitches(
  strip: Strip,
  { own, other }: Members,
  line: Float32Array,
  tangled: Uint8Array,
): SeenStitches {
  const { width, pxPerMm } = strip
  const owns = coverOf(own, strip, line, 0.22)
  const others = coverOf(other, strip, line, 0.35)
  const dark = darkOn(strip, line, 0)
  const far = 4 * pxPerMm
  const loops = loopsOver(strip, other, line)
  const outsideNests = (values: Float32Array) => values.map((value, column) => (tangled[column] === 1 ? 0 : value))
  const signs = [owns.map((value) => -value), others, dark, loops].map((values) =>
    outsideNests(standing(smoothed(values, 0.12 * pxPerMm), far)),
  )
  // A nest stands off the line as well, and is no loop of a stitch.
  const looped = shareNear(outsideNests(loops), width / 2, width / 2) > LOOPED
  // Loops lie over their own thread, and cut it anywhere.
  const long = looped ? new Uint8Array(width) : longRuns(owns)
  const usual = (values: Float32Array) => values.map((value, column) => (long[column] === 1 ? 0 : value))
  const periods = signs.map((values) => stitchPeriodOf(usual(values), pxPerMm))
  const [, , darks] = periods
  if (besideToo(strip, line, darks!)) periods[2] = { lag: darks!.lag, like: darks!.like * STRIPES.weight }
  const weights = periods.map(({ like }) => Math.max(0, like) ** 1.5)
  // The dark may plainly say the opposite of the threads. A thread that is darker than its cloth makes the middle of a stitch dark: the
  // thread is asked then. Otherwise a hole was taken for thread, or none is dark: what comes again more regularly is asked.
  let [agrees, threads, shades] = [0, 0, 0]
  for (let column = 0; column < width; column += 1) {
    const said = signs[0]![column]! * weights[0]! + signs[1]![column]! * weights[1]!
    agrees += said * signs[2]![column]!
    threads += said * said
    shades += signs[2]![column]! ** 2
  }
  if (agrees < CONTRADICTS * Math.sqrt(threads * shades))
    weights.splice(
      0,
      3,
      ...(weights[2]! > (isDarkThread(strip, own) ? FAR_PLAINER : 1) * (weights[0]! + weights[1]!)
        ? [0, 0, weights[2]!]
        : [weights[0]!, weights[1]!, 0]),
    )
  const together = sumOf(weights, signs)
  const all = stitchPeriodOf(usual(standing(together, far)), pxPerMm)
  const first = agreed(all, periods)
  if (first.lag === 0) return NONE
  // Where the other thread lies over most of the way, its middle is the hole: a sharp peak somewhere on it is none. A loop has two
  // feet, and either may stand beside its hole: the loop as a whole tells the place.
  const wide = shareNear(others, width / 2, width / 2) > LIES_OVER
  const even = standing(wide ? swinging(together, first.lag) : broad(together, first.lag * (looped ? 0.2 : 0.08)), far)
  const around = likenessOf(strip, { own, other }, line)
  const chained = (period: number) => chainOf(peaksOf(even, period * 0.35), period, width)
  const whole = chained(first.lag)
  // Where the middles between holes are holes as well, the period was two stitches.
  const halved = first.lag / 2 > STITCH_MM.shortest * pxPerMm && isTwoStitches(whole, first.lag, around)
  const period = halved ? first.lag / 2 : first.lag
  const found = halved ? chained(period) : whole
  const shown = withHidden(found, period, others, coverOf(other, strip, line, 1.5))
  // Where a loop stands a stitch was made, whatever its hole looks like.
  const stands = (at: number) => looped && shareNear(loops, at, period * 0.3) > SHOWS
  return seen(byLikeness(shown, period, around, stands), pxPerMm, first.like, 1)
}

/**
 * The stitch is what two of the signs agree on, whatever all together say: a loop has two feet that each look like a hole, and a
 * tangle comes again after nothing in particular.
 */
function agreed(together: Period, signs: readonly Period[]): Period {
  const heard = signs.map((sign) => {
    const like = signs.filter((other) => near(sign, other))
    return { sign, count: like.length, sum: like.reduce((all, each) => all + each.like, 0) }
  })
  const { sign, count, sum } = heard.reduce((best, each) => (each.sum > best.sum ? each : best))
  // One that is plain where the others say nothing is heard as two are.
  const others = signs.reduce((all, { like }) => all + like, 0) - sum
  const found = (count < 2 && sum < 2 * others) || near(together, sign) ? together : sign
  const [own, ...rest] = signs
  // What the own thread says by far the plainest, whatever is printed on the cloth beside it.
  if (own!.like > BY_FAR * Math.max(...rest.map(({ like }) => like))) return own!
  // Stripes of the cloth come again as well, and may do so with every second or third stitch: the own thread knows nothing of them.
  const plain = own!.like > 0.6 * Math.max(...signs.map(({ like }) => like))
  return plain && [2, 3].some((times) => Math.abs(found.lag / own!.lag / times - 1) < 0.08) ? own! : found
}

/** Of so much of the seam's length loops stand beside it, where there are loops. */
const LOOPED = 0.12

/** Against a dark thread the dark is believed where it is so much plainer. */
const FAR_PLAINER = 3
/** One sign is so much plainer than every other. */
const BY_FAR = 1.3

/** From here down two signs say opposite things; 0 is nothing to do with each other. */
const CONTRADICTS = -0.3
/** The other thread is a line over the own one from so much of the seam on. */
const LIES_OVER = 0.45

/** Near a hole the other thread shows on at least so much of it, where it shows at all. */
const SHOWS = 0.25

/**
 * Over a stitch that was skipped there is nothing of the other thread, neither on the line nor as a loop beside it. Where there is,
 * there is a hole that was only hard to see, and the one long stitch is two.
 * @param others of the other thread on the line; @param loops also beside it
 */
function withHidden(chain: Chain, period: number, others: Float32Array, loops: Float32Array): Link[] {
  const looped = chain.filter(({ at }) => shareNear(loops, at, period * 0.3) > SHOWS).length > 0.6 * chain.length
  return chain.flatMap((each, index) => {
    const before = chain[index - 1]
    if (each.steps < 2 || !before) return [each]
    const step = (each.at - before.at) / each.steps
    const between = Array.from({ length: each.steps - 1 }, (_, place) => before.at + step * (place + 1))
    const shown = between.filter(
      (at) => shareNear(others, at, period * 0.22) > SHOWS || (looped && shareNear(loops, at, period * 0.3) > SHOWS),
    )
    return shown.length === between.length ? [...shown, each.at].map((at) => ({ at, steps: 1 })) : [each]
  })
}
