import { isTwin, pointsThat } from '../needle/needle'
import type { FaultCheck } from './fault-check'
import { readable, type Rule } from '../fact'

/** How much a fact speaks for a cause: its chance with the cause, and without it. Both within 0.02 … 0.98. */
export interface Evidence {
  readonly causes: readonly string[]
  readonly withIt: number
  readonly without: number
}

const evidence = (
  id: string,
  when: Rule<unknown>['when'],
  causes: readonly string[],
  withIt: number,
  without: number,
  because: string,
): Rule<Evidence> => ({
  id: `evidence-${id}`,
  when,
  give: { causes, withIt, without },
  because,
  source: 'common practice',
  confidence: 'medium',
})

const WORN = ['needle-worn']
/** Fresh needles say little where one was struck. */
const NOT_STRUCK = [{ recentStrike: { known: false } }, { recentStrike: { is: false } }] as const
const WIDE = pointsThat((point) => isTwin(point) || point.holeWanted === true)
const CUTTING = pointsThat(({ tip }) => tip === 'cutting')
const BALL = pointsThat(({ tip }) => tip === 'ball')
/** What a room may know already; every row that holds counts. */
export const EVIDENCE: readonly Rule<Evidence>[] = readable([
  evidence('old-needle', { needleHours: { from: 8 } }, WORN, 0.7, 0.1, 'The needle has {needleHours} hours.'),
  evidence(
    'used-needle',
    { needleHours: { from: 6, below: 8 } },
    WORN,
    0.35,
    0.2,
    'The needle has {needleHours} hours.',
  ),
  evidence(
    'fresh-needle',
    { needleHours: { from: 0.2, below: 2 }, any: NOT_STRUCK },
    WORN,
    0.1,
    0.45,
    'The needle is nearly new.',
  ),
  evidence('needle-just-new', { needleHours: { below: 0.2 }, any: NOT_STRUCK }, WORN, 0.05, 0.5, 'The needle is new.'),
  evidence(
    'strike',
    { recentStrike: { is: true } },
    ['needle-worn', 'bent-needle'],
    0.97,
    0.04,
    'It struck something not long ago: the needle first, whatever its hours.',
  ),
  evidence(
    'strike-plate',
    { recentStrike: { is: true } },
    ['plate-burr', 'touching', 'struck-something'],
    0.9,
    0.1,
    'A strike leaves a burr on plate or foot.',
  ),
  evidence(
    'knit-seam',
    { fabricStructure: { in: ['knit'] } },
    ['stitch-pops'],
    0.8,
    0.2,
    'A straight seam in a knit pops where it is pulled.',
  ),
  evidence(
    'strike-timing',
    { recentStrike: { is: true } },
    ['timing', 'inside'],
    0.6,
    0.1,
    'A strike can throw the timing.',
  ),
  evidence(
    'dirty',
    { bobbinsSinceClean: { from: 8 } },
    ['lint', 'thread-in-race'],
    0.75,
    0.2,
    '{bobbinsSinceClean} bobbins since it was cleaned.',
  ),
  evidence(
    'due-clean',
    { bobbinsSinceClean: { from: 4, below: 8 } },
    ['lint', 'thread-in-race'],
    0.5,
    0.25,
    '{bobbinsSinceClean} bobbins since it was cleaned.',
  ),
  evidence(
    'just-cleaned',
    { bobbinsSinceClean: { below: 2 } },
    ['lint', 'thread-in-race'],
    0.1,
    0.45,
    'It was cleaned just now.',
  ),
  evidence('foot-is-up', { footUp: { is: true } }, ['foot-left-up'], 0.95, 0.04, 'The foot stands up.'),
  evidence(
    'foot-was-down',
    { threadedFootDown: { is: true } },
    ['threaded-foot-down'],
    0.95,
    0.05,
    'It was threaded with the foot down.',
  ),
  evidence(
    'foot-was-up',
    { threadedFootDown: { is: false, known: true } },
    ['threaded-foot-down'],
    0.05,
    0.9,
    'It was threaded with the foot up.',
  ),
  evidence(
    'sharp-on-knit',
    {
      fabricStructure: { in: ['knit'] },
      needlePoint: { in: CUTTING },
    },
    ['wrong-point'],
    0.9,
    0.08,
    'A {needlePoint} point is the wrong shape for a knit.',
  ),
  evidence(
    'ball-on-knit',
    {
      fabricStructure: { in: ['knit'] },
      needlePoint: { in: BALL },
    },
    ['wrong-point'],
    0.05,
    0.6,
    'A {needlePoint} point is right for a knit.',
  ),
  evidence(
    'blunt-on-leather',
    { fabricStructure: { in: ['leather'] }, needlePoint: { notIn: ['leather'], known: true } },
    ['wrong-point'],
    0.85,
    0.1,
    'A {needlePoint} point is not made for leather.',
  ),
  evidence(
    'ancient-thread',
    { threadAgeYears: { from: 10 } },
    ['old-thread', 'wrong-thread'],
    0.85,
    0.12,
    'The thread is {threadAgeYears} years old at least.',
  ),
  evidence(
    'old-thread',
    { threadAgeYears: { from: 5, below: 10 } },
    ['old-thread'],
    0.5,
    0.2,
    'The thread is {threadAgeYears} years old at least.',
  ),
  evidence('new-thread', { threadAgeYears: { below: 2 } }, ['old-thread'], 0.1, 0.45, 'The thread is new.'),
])

/** Checks that come before all others, whatever their odds: what happened just now weighs most. */
export interface JustNow {
  /** in this order, those that belong to the symptom itself */
  readonly checks: readonly FaultCheck[]
}

const justNow = (
  id: string,
  when: Rule<unknown>['when'],
  checks: readonly FaultCheck[],
  because: string,
): Rule<JustNow> => ({
  id: `just-now-${id}`,
  when,
  give: { checks },
  because,
  source: 'common practice',
  confidence: 'high',
})

const PUT_IN = { needleHours: { below: 0.2 }, any: NOT_STRUCK } as const
/** Every row that holds counts, the earlier before the later. Facts are what is known, and the symptom. */
export const JUST_NOW: readonly Rule<JustNow>[] = readable([
  justNow(
    'broke',
    { symptom: { in: ['needle-breaks'] } },
    ['needle-fragment'],
    'After a break every piece is found before anything else.',
  ),
  justNow(
    'stuck-after-strike',
    { symptom: { in: ['jam'] }, recentStrike: { is: true } },
    ['needle-fragment'],
    'It struck something and now stands: a piece may lie in the race.',
  ),
  justNow(
    'struck',
    { recentStrike: { is: true } },
    ['needle-condition', 'plate-and-foot'],
    'It struck something not long ago: the needle, whatever its hours, then the plate.',
  ),
  justNow(
    'twin-or-wing',
    { needlePoint: { in: WIDE } },
    ['plate-and-foot'],
    'A {needlePoint} needle wants a wide plate and foot: turn a whole stitch by hand.',
  ),
  justNow(
    'straight-plate',
    { straightPlateBefore: { is: true } },
    ['plate-and-foot'],
    'The kit before this one had the straight-stitch plate or foot on.',
  ),
  justNow(
    'wrong-needle',
    { ...PUT_IN, fabricStructure: { in: ['knit'] }, needlePoint: { in: CUTTING } },
    ['needle-fits', 'needle-seated'],
    'The needle was put in just now, and a {needlePoint} point is the wrong shape for a knit.',
  ),
  justNow(
    'needle-put-in',
    PUT_IN,
    ['needle-seated', 'needle-fits'],
    'The needle was put in just now: is it up to its stop, the right way round, and the right one?',
  ),
])
