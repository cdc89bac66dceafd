import type { FaultCheck } from './fault-check'
import type { Symptom } from './symptom'

/** One cause of a symptom, and the check that finds it. */
export interface Cause {
  readonly cause: string
  readonly check: FaultCheck
  /** chance against the symptom's other causes, before anything is known */
  readonly weight: number
  /** of any stitch rather than of this symptom: what happened just now does not bring it forward */
  readonly seldom?: true
}

/** Weights of causes in order: 8 : 4 : 2 : 1 : 1 … */
const WEIGHTS = [8, 4, 2]
type InOrder = readonly (Cause | readonly Cause[] | readonly [string, FaultCheck])[]
const inOrder = (...causes: InOrder): Cause[] =>
  causes.flatMap((each, index) => {
    const weight = WEIGHTS[index] ?? 1
    if (isPair(each)) return [{ cause: each[0], check: each[1], weight }]
    const several = Array.isArray(each) ? (each as readonly Cause[]) : [each as Cause]
    const sum = several.reduce((total, one) => total + one.weight, 0)
    return several.map((one) => ({ ...one, weight: (one.weight / sum) * weight }))
  })
const isPair = (each: unknown): each is readonly [string, FaultCheck] =>
  Array.isArray(each) && typeof each[0] === 'string'
const share = (cause: string, of: FaultCheck, weight: number): Cause => ({ cause, check: of, weight })

/** Causes of any stitch that is not as it should be: seldom the first, and never left out, so that the list does not end before them. */
const ANY_STITCH: readonly Cause[] = (
  [
    ['threaded-foot-down', 'rethread-foot-up'],
    ['needle-worn', 'needle-condition'],
    ['needle-not-seated', 'needle-seated'],
    ['wrong-point', 'needle-fits'],
    ['bobbin-wrong-way', 'bobbin-seated'],
    ['wound-badly', 'bobbin-wound'],
    ['old-thread', 'thread-quality'],
    ['spool-caught', 'spool-path'],
    ['out-of-take-up', 'take-up'],
    ['foot-left-up', 'foot-down'],
    ['dial-moved', 'dial-at-normal'],
    ['lint', 'lint'],
    ['twin-mismatch', 'plate-and-foot'],
    ['started-on-edge', 'start-inset'],
    ['tails-loose', 'tails-held'],
    ['pressure-low', 'foot-pressure'],
    ['dogs-down', 'feed-dogs'],
  ] as const
).map(([cause, of]) => ({ cause, check: of, weight: 0.15, seldom: true }))
/** The causes in their order, and behind them those of any stitch whose check they do not ask already. */
const stitching = (...causes: InOrder): Cause[] => {
  const own = inOrder(...causes)
  return [...own, ...ANY_STITCH.filter(({ cause }) => !own.some((each) => each.cause === cause))]
}

/** What lies behind each symptom, roughly in order. Electrical symptoms have no checks: stop, unplug, licensed repair. */
export const CAUSES: Readonly<Record<Exclude<Symptom, 'electrical'>, readonly Cause[]>> = {
  'nest-at-start': stitching(
    ['tails-loose', 'tails-held'],
    [share('foot-left-up', 'foot-down', 1), share('threaded-foot-down', 'rethread-foot-up', 1)],
    ['take-up-low', 'take-up'],
    ['bobbin-thread-down', 'bobbin-seated'],
    ['started-on-edge', 'start-inset'],
  ),
  'loops-under': stitching(
    ['threaded-foot-down', 'rethread-foot-up'],
    ['out-of-take-up', 'take-up'],
    ['foot-left-up', 'foot-down'],
    ['dial-moved', 'dial-at-normal'],
    ['too-loose', 'dial-at-normal'],
    ['lint', 'lint'],
  ),
  'bobbin-on-top': stitching(
    ['too-tight', 'dial-at-normal'],
    ['bobbin-not-under-spring', 'bobbin-seated'],
    ['threaded-foot-down', 'rethread-foot-up'],
    ['unequal-threads', 'thread-quality'],
    ['lint', 'lint'],
  ),
  skipped: stitching(
    [
      share('needle-worn', 'needle-condition', 4),
      share('wrong-point', 'needle-fits', 2),
      share('needle-not-seated', 'needle-seated', 2),
    ],
    [share('eye-too-small', 'needle-fits', 2), share('threaded-foot-down', 'rethread-foot-up', 2)],
    [share('pressure-low', 'foot-pressure', 3), share('plate-burr', 'plate-and-foot', 1)],
    ['timing', 'service'],
  ),
  'thread-breaks': stitching(
    ['eye-too-small', 'needle-fits'],
    ['old-thread', 'thread-quality'],
    [share('spool-caught', 'spool-path', 2), share('threaded-foot-down', 'rethread-foot-up', 2)],
    [
      share('needle-worn', 'needle-condition', 2),
      share('needle-not-seated', 'needle-seated', 1),
      share('plate-burr', 'plate-and-foot', 1),
    ],
    ['too-tight', 'dial-at-normal'],
    ['wrong-thread', 'thread-quality'],
    ['cotton-pulled', 'dial-at-normal'],
  ),
  'needle-breaks': inOrder(
    ['cloth-pulled', 'feed-dogs'],
    [share('crossing-too-thick', 'needle-fits', 3), share('struck-something', 'plate-and-foot', 1)],
    ['needle-too-thin', 'needle-fits'],
    ['needle-not-seated', 'needle-seated'],
    ['wrong-bobbin', 'bobbin-seated'],
    ['twin-mismatch', 'plate-and-foot'],
    ['needle-worn', 'needle-condition'],
    ['timing', 'service'],
  ),
  swallowed: inOrder(
    ['started-on-edge', 'start-inset'],
    ['wide-plate', 'plate-and-foot'],
    ['wrong-point', 'needle-fits'],
    ['needle-worn', 'needle-condition'],
    ['tails-loose', 'tails-held'],
    ['no-stabiliser', 'stabiliser'],
    ['pressure-high', 'foot-pressure'],
  ),
  puckers: inOrder(
    ['too-tight', 'dial-at-normal'],
    ['stitch-too-long', 'length-not-zero'],
    ['thread-too-heavy', 'needle-fits'],
    ['layers-creep', 'even-feed'],
    ['pressure-high', 'foot-pressure'],
    ['needle-worn', 'needle-condition'],
    ['threaded-foot-down', 'rethread-foot-up'],
    ['unequal-threads', 'thread-quality'],
    ['no-stabiliser', 'stabiliser'],
  ),
  creep: inOrder(
    ['no-even-feed', 'even-feed'],
    ['pressure-high', 'foot-pressure'],
    ['cloth-pulled', 'feed-dogs'],
    ['lint', 'lint'],
  ),
  tunnelling: inOrder(
    ['too-tight', 'dial-at-normal'],
    ['no-stabiliser', 'stabiliser'],
    ['twin-mismatch', 'plate-and-foot'],
    ['bobbin-too-tight', 'bobbin-seated'],
    ['thread-too-heavy', 'needle-fits'],
  ),
  jam: inOrder(
    [share('thread-in-race', 'lint', 3), share('fragment', 'needle-fragment', 1)],
    ['lint', 'lint'],
    ['wrong-bobbin', 'bobbin-seated'],
    ['fragment', 'needle-fragment'],
    ['winder-on', 'winder-engaged'],
    ['bent-needle', 'needle-condition'],
  ),
  'needle-stands-still': inOrder(
    ['winder-on', 'winder-engaged'],
    ['clutch-loose', 'winder-engaged'],
    ['belt', 'service'],
  ),
  popping: inOrder(
    ['needle-worn', 'needle-condition'],
    ['touching', 'plate-and-foot'],
    ['needle-not-seated', 'needle-seated'],
    ['wrong-point', 'needle-fits'],
    ['case-not-home', 'bobbin-seated'],
    ['twin-mismatch', 'plate-and-foot'],
    ['timing', 'service'],
  ),
  'crash-at-start': stitching(
    ['round-the-pin', 'spool-path'],
    ['in-a-crack', 'spool-path'],
    ['out-of-take-up', 'take-up'],
    [share('threaded-foot-down', 'rethread-foot-up', 1), share('round-the-needle', 'rethread-foot-up', 1)],
    ['bobbin-wrong-way', 'bobbin-seated'],
    ['case-not-home', 'bobbin-seated'],
    ['touching', 'plate-and-foot'],
  ),
  'will-not-release': inOrder(
    ['take-up-low', 'take-up'],
    ['thread-in-race', 'lint'],
    ['fragment', 'needle-fragment'],
    ['bobbin-wrong-way', 'bobbin-seated'],
  ),
  untidy: stitching(
    ['old-thread', 'thread-quality'],
    [
      share('needle-worn', 'needle-condition', 2),
      share('wound-badly', 'bobbin-wound', 1),
      share('bobbin-not-under-spring', 'bobbin-seated', 1),
    ],
    ['threaded-foot-down', 'rethread-foot-up'],
    [share('length-nought', 'length-not-zero', 1), share('dogs-down', 'feed-dogs', 1), share('lint', 'lint', 1)],
  ),
  'will-not-feed': inOrder(
    ['dogs-down', 'feed-dogs'],
    ['length-nought', 'length-not-zero'],
    ['foot-left-up', 'foot-down'],
    ['lint', 'lint'],
    ['pressure-low', 'foot-pressure'],
    ['wide-plate', 'plate-and-foot'],
    ['no-even-feed', 'even-feed'],
  ),
  'bobbin-loose': inOrder(
    ['case-not-home', 'bobbin-seated'],
    ['case-upside-down', 'bobbin-seated'],
    ['lint', 'lint'],
    ['fragment', 'needle-fragment'],
  ),
  'will-not-start': inOrder(
    ['no-power', 'power'],
    ['lever-up', 'foot-down'],
    ['winder-on', 'winder-engaged'],
    ['thread-in-race', 'lint'],
    ['motor', 'service'],
  ),
  unthreads: inOrder(
    ['tails-loose', 'tails-held'],
    ['take-up-low', 'take-up'],
    ['round-the-pin', 'spool-path'],
    ['out-of-take-up', 'rethread-foot-up'],
  ),
  'needle-will-not-go-up': inOrder(
    ['needle-not-seated', 'needle-seated'],
    ['fragment', 'needle-fragment'],
    ['wrong-shank', 'needle-fits'],
  ),
  'bobbin-will-not-come-up': inOrder(
    ['bobbin-wrong-way', 'bobbin-seated'],
    ['threaded-foot-down', 'rethread-foot-up'],
    ['needle-not-seated', 'needle-seated'],
    ['tails-loose', 'tails-held'],
    ['timing', 'service'],
  ),
  'bobbin-thread-breaks': inOrder(
    ['wound-badly', 'bobbin-wound'],
    ['bobbin-not-under-spring', 'bobbin-seated'],
    ['plate-burr', 'plate-and-foot'],
    ['lint', 'lint'],
    ['old-thread', 'thread-quality'],
    ['needle-worn', 'needle-condition'],
  ),
  // Selector, width and length; never the tension dial.
  'wrong-stitch': inOrder(
    ['off-baseline', 'length-not-zero'],
    ['wrong-foot', 'plate-and-foot'],
    ['dogs-down', 'feed-dogs'],
    ['cam', 'service'],
  ),
  'seam-undone': inOrder(
    ['ends-open', 'ends-locked'],
    ['stitch-pops', 'stitch-suits'],
    ['not-balanced', 'dial-at-normal'],
    ['tails-short', 'tails-held'],
    ['old-thread', 'thread-quality'],
    ['stitch-too-long', 'length-not-zero'],
    ['threaded-foot-down', 'rethread-foot-up'],
  ),
}

/** Said with every check of a symptom, or with the first of what comes after a strike. */
export const SYMPTOM_CAUTIONS: Readonly<Partial<Record<Symptom, { readonly said: string; readonly first?: true }>>> = {
  jam: { said: 'Power off. Do not force the wheel: turn it only as far as it goes by itself.' },
  popping: { said: 'Stop sewing: a needle that touches breaks and flies.', first: true },
  'will-not-release': { said: 'Do not pull, and do not turn the wheel back hard.', first: true },
  'needle-will-not-go-up': { said: 'Power off, and foot off the pedal.' },
}
export const AFTER_STRIKE = 'Stop sewing: look before the next stitch.'

/** A technician's turn comes after everything else, though a symptom names none. */
export const LAST_RESORT: Cause = { cause: 'inside', check: 'service', weight: 0.4 }

/** How an answer speaks: a check finds its own cause nearly always, and another's hardly ever. */
export const ANSWER = { foundIfSo: 0.9, foundIfNot: 0.04 } as const
/** Seconds to sew a line again after a cure. */
export const SEW_AGAIN_SECONDS = 60
/** How many cures of a room's own weigh as much as everything that is said here. */
export const OWN_CURES = 8
