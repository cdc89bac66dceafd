import { readable, type Rule } from './rule'
import type { Symptom } from './symptom'

export const FAULT_CHECKS = [
  'rethread-foot-up',
  'needle-condition',
  'needle-fits',
  'needle-seated',
  'bobbin-seated',
  'bobbin-wound',
  'tails-held',
  'lint',
  'thread-quality',
  'spool-path',
  'take-up',
  'dial-at-normal',
  'foot-pressure',
  'plate-and-foot',
  'winder-engaged',
  'feed-dogs',
  'length-not-zero',
  'foot-down',
  'needle-fragment',
  'stabiliser',
  'even-feed',
  'start-inset',
  'power',
  'ends-locked',
  'stitch-suits',
  'service',
] as const
export type FaultCheck = (typeof FAULT_CHECKS)[number]

export interface FaultCheckGiven {
  readonly title: string
  /** how to look */
  readonly how: string
  /** what cures it when it is found */
  readonly remedy: string
  readonly seconds: number
  readonly who: 'learner' | 'staff' | 'technician'
  readonly caution?: string
}

const POWER_OFF = 'Power off and foot off the pedal.'
const check = (
  title: string,
  seconds: number,
  who: FaultCheckGiven['who'],
  how: string,
  remedy: string,
  caution?: string,
): FaultCheckGiven => ({ title, how, remedy, seconds, who, ...(caution !== undefined && { caution }) })

/** What can be looked at, how long it takes, who may, and what cures it. Source: common practice. */
export const CHECKS: Readonly<Record<FaultCheck, FaultCheckGiven>> = {
  'rethread-foot-up': check(
    'Thread again, foot up',
    45,
    'learner',
    'Cut at the spool, pull the old thread out forward through the needle, lift the foot, and thread from the spool, flossing it into the discs. Then tug: loose with the foot up, firm with it down.',
    'Threaded again with the foot up, so that the discs hold the thread.',
    POWER_OFF,
  ),
  'needle-condition': check(
    'The needle itself',
    60,
    'learner',
    'Take it out: lay its flat on glass and look for an even gap; draw its point over a scrap of fine knit and feel for a snag.',
    'A new needle of the kit’s point and size.',
    POWER_OFF,
  ),
  'needle-fits': check(
    'Needle, cloth and thread belong together',
    30,
    'learner',
    'Read the needle’s tag: is its point right for this cloth, its size for the thickest crossing, and does the thread slide through its eye?',
    'The needle that the kit asks for, or a finer thread.',
    POWER_OFF,
  ),
  'needle-seated': check(
    'Needle up to its stop, the right way round',
    40,
    'learner',
    'Look at the flat, push it up, pull and twist: it neither drops nor turns.',
    'Pushed up to the stop, the right way round, clamp tight.',
    POWER_OFF,
  ),
  'bobbin-seated': check(
    'Bobbin out, look, and in again',
    40,
    'learner',
    'The right class, the right way round, thread under the spring, home until it clicks; it must not wiggle, and the thread draws smoothly.',
    'Put in again: right class, right way round, under the spring, home.',
    POWER_OFF,
  ),
  'bobbin-wound': check(
    'How the bobbin is wound',
    30,
    'learner',
    'Firm and even like a spool, not soft, lopsided or over its mark, and of one kind of thread.',
    'A freshly and firmly wound bobbin.',
  ),
  'tails-held': check(
    'Tails held at the start',
    10,
    'learner',
    'Both tails 15 to 20 cm to the back, under the foot, and held for the first stitches.',
    'Tails held for the first three stitches.',
  ),
  lint: check(
    'Lint in race, case and discs',
    180,
    'staff',
    'Take off the plate; brush or vacuum the race and the case, and draw a folded cloth through the discs. No blowing.',
    'Lint out.',
    'Unplug to open anything.',
  ),
  'thread-quality': check(
    'The thread itself',
    30,
    'learner',
    'Pull a length between your hands: does it snap, fuzz or change thickness? Is it the same weight above and below?',
    'Good thread, the same weight above and below.',
  ),
  'spool-path': check(
    'From the spool to the first guide',
    20,
    'learner',
    'Does it catch under the cap, round the pin, in a nick of the spool, in a crack of the lid?',
    'The spool sits so that its thread runs free.',
  ),
  'take-up': check(
    'Take-up lever',
    15,
    'learner',
    'Raise it to its top by hand and look from the side: is the thread really in it?',
    'Thread in the take-up lever, and the lever at its top at each start and end.',
  ),
  'dial-at-normal': check(
    'Dial at its mark',
    10,
    'learner',
    'Compare the dial with its normal mark and with what the kit says.',
    'Set back to its mark; read a swatch from there.',
  ),
  'foot-pressure': check(
    'Foot pressure',
    30,
    'staff',
    'Does the foot hold the cloth without printing it? Thin cloth on a heavy machine wants it almost backed off.',
    'Pressure set for this cloth.',
  ),
  'plate-and-foot': check(
    'Plate, foot and width',
    40,
    'staff',
    'Turn the wheel by hand through both ends of the swing: does the needle touch foot or plate? Is the plate right for this cloth?',
    'The foot, plate and width that belong together.',
    POWER_OFF,
  ),
  'winder-engaged': check(
    'Winder and hand wheel',
    5,
    'learner',
    'Is the winder pushed home, and the hand wheel’s clutch tight?',
    'Winder off, clutch tight.',
  ),
  'feed-dogs': check(
    'Feed dogs up, hands off',
    10,
    'learner',
    'Are the dogs up, and does a scrap walk through by itself when nobody pulls?',
    'Dogs up; hands guide and do not pull.',
  ),
  'length-not-zero': check(
    'Stitch length',
    5,
    'learner',
    'Is it at what the kit says, and not at nothing?',
    'Length as on the kit.',
  ),
  'foot-down': check(
    'Foot down while sewing',
    5,
    'learner',
    'Is the presser foot down?',
    'Foot down before the first stitch.',
  ),
  'needle-fragment': check(
    'Every piece of a broken needle',
    120,
    'staff',
    'Lay point, blade and shank together to their whole length; look in the case and under the plate.',
    'Every piece found, and out of the machine.',
    'Glasses on. Nobody sews until every piece lies on the table.',
  ),
  stabiliser: check(
    'Something behind the cloth',
    120,
    'learner',
    'Sew a few centimetres with a stabiliser or a slip of paper behind it.',
    'A stabiliser behind the cloth.',
  ),
  'even-feed': check(
    'Even feed',
    180,
    'learner',
    'Sew a scrap with the walking foot, or with the layers held together by clips.',
    'The walking foot or built-in even feed.',
  ),
  'start-inset': check(
    'Start in from the edge',
    10,
    'learner',
    'Start a centimetre in from the edge, or on a scrap that leads into it.',
    'Start inset, or with a scrap leading.',
  ),
  power: check(
    'Switch, plug, pedal, speed',
    20,
    'learner',
    'In this order: is the switch on and the lamp lit, the plug home in the wall and in the machine, the pedal’s own plug home, the speed slider off its lowest? Then the levers: foot down, buttonhole lever up.',
    'Switched on, plugged in, pedal in, speed up.',
    'Nothing further than the plug: a damaged cord or a smell is unplugged at the wall, and nobody tries again.',
  ),
  'ends-locked': check(
    'Ends of the seam',
    15,
    'learner',
    'Look at both ends: three forward and three back, or tied off; no tail cut shorter than a finger’s breadth before that.',
    'Ends locked, or tied off where holes stay.',
  ),
  'stitch-suits': check(
    'The stitch and the cloth',
    20,
    'learner',
    'Pull the seam along its length: does the cloth give more than the stitches do?',
    'A narrow zigzag or a stretch stitch where the cloth gives; a shorter stitch where it is pulled.',
  ),
  service: check(
    'For a technician',
    1800,
    'technician',
    'Timing, hook, motor, belt and covers are looked at by somebody who services machines of this kind.',
    'Serviced.',
    'Covers, timing and wiring are for the technician.',
  ),
}

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
const TWIN_OR_WING = ['twin-universal', 'twin-stretch', 'twin-ballpoint', 'wing']
/** Points that cut the loops of a knit. */
const SHARP_POINTS = ['universal', 'microtex', 'jeans', 'quilting', 'leather', 'topstitch', 'wing', 'twin-universal']
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
      needlePoint: { in: SHARP_POINTS },
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
      needlePoint: { in: ['ballpoint', 'stretch', 'twin-stretch', 'twin-ballpoint'] },
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
    { needlePoint: { in: TWIN_OR_WING } },
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
    { ...PUT_IN, fabricStructure: { in: ['knit'] }, needlePoint: { in: SHARP_POINTS } },
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

/** How an answer speaks: a check finds its own cause nearly always, and another's hardly ever. */
export const ANSWER = { foundIfSo: 0.9, foundIfNot: 0.04 } as const
/** Seconds to sew a line again after a cure. */
export const SEW_AGAIN_SECONDS = 60
/** How many cures of a room's own weigh as much as everything that is said here. */
export const OWN_CURES = 8
