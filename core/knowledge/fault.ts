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
}

/** Weights of causes in order: 8 : 4 : 2 : 1 : 1 … */
const WEIGHTS = [8, 4, 2]
const inOrder = (...causes: readonly (Cause | readonly Cause[] | readonly [string, FaultCheck])[]): Cause[] =>
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

/** What lies behind each symptom, roughly in order. Electrical symptoms have no checks: stop, unplug, licensed repair. */
export const CAUSES: Readonly<Record<Exclude<Symptom, 'electrical'>, readonly Cause[]>> = {
  'nest-at-start': inOrder(
    ['tails-loose', 'tails-held'],
    ['foot-left-up', 'foot-down'],
    ['threaded-foot-down', 'rethread-foot-up'],
    ['take-up-low', 'take-up'],
    ['bobbin-thread-down', 'bobbin-seated'],
    ['started-on-edge', 'start-inset'],
  ),
  'loops-under': inOrder(
    ['threaded-foot-down', 'rethread-foot-up'],
    ['out-of-take-up', 'take-up'],
    ['foot-left-up', 'foot-down'],
    ['dial-moved', 'dial-at-normal'],
    ['too-loose', 'dial-at-normal'],
    ['lint', 'lint'],
  ),
  'bobbin-on-top': inOrder(
    ['too-tight', 'dial-at-normal'],
    ['bobbin-not-under-spring', 'bobbin-seated'],
    ['unequal-threads', 'thread-quality'],
    ['lint', 'lint'],
  ),
  skipped: inOrder(
    [
      share('needle-worn', 'needle-condition', 4),
      share('wrong-point', 'needle-fits', 2),
      share('needle-not-seated', 'needle-seated', 2),
    ],
    ['eye-too-small', 'needle-fits'],
    ['pressure-low', 'foot-pressure'],
    ['timing', 'service'],
  ),
  'thread-breaks': inOrder(
    ['eye-too-small', 'needle-fits'],
    ['old-thread', 'thread-quality'],
    ['spool-caught', 'spool-path'],
    [share('needle-worn', 'needle-condition', 3), share('plate-burr', 'plate-and-foot', 1)],
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
  ),
  swallowed: inOrder(
    ['started-on-edge', 'start-inset'],
    ['wide-plate', 'plate-and-foot'],
    ['wrong-point', 'needle-fits'],
    ['needle-worn', 'needle-condition'],
    ['tails-loose', 'tails-held'],
  ),
  puckers: inOrder(
    ['too-tight', 'dial-at-normal'],
    ['stitch-too-long', 'length-not-zero'],
    ['thread-too-heavy', 'needle-fits'],
    ['layers-creep', 'even-feed'],
    ['pressure-high', 'foot-pressure'],
  ),
  creep: inOrder(['no-even-feed', 'even-feed'], ['pressure-high', 'foot-pressure'], ['cloth-pulled', 'feed-dogs']),
  tunnelling: inOrder(['too-tight', 'dial-at-normal'], ['no-stabiliser', 'stabiliser']),
  jam: inOrder(
    [share('thread-in-race', 'lint', 3), share('fragment', 'needle-fragment', 1)],
    ['lint', 'lint'],
    ['wrong-bobbin', 'bobbin-seated'],
    ['fragment', 'needle-fragment'],
  ),
  'needle-stands-still': inOrder(
    ['winder-on', 'winder-engaged'],
    ['clutch-loose', 'winder-engaged'],
    ['belt', 'service'],
  ),
  popping: inOrder(['needle-worn', 'needle-condition'], ['touching', 'plate-and-foot']),
  'crash-at-start': inOrder(
    ['round-the-pin', 'spool-path'],
    ['in-a-crack', 'spool-path'],
    ['out-of-take-up', 'take-up'],
    ['bobbin-wrong-way', 'bobbin-seated'],
    ['case-not-home', 'bobbin-seated'],
    ['round-the-needle', 'rethread-foot-up'],
  ),
  'will-not-release': inOrder(['take-up-low', 'take-up'], ['thread-in-race', 'lint']),
  untidy: inOrder(
    ['old-thread', 'thread-quality'],
    ['needle-worn', 'needle-condition'],
    [share('length-nought', 'length-not-zero', 1), share('dogs-down', 'feed-dogs', 1), share('lint', 'lint', 1)],
  ),
  'will-not-feed': inOrder(
    ['dogs-down', 'feed-dogs'],
    ['length-nought', 'length-not-zero'],
    ['foot-left-up', 'foot-down'],
    ['lint', 'lint'],
    ['pressure-low', 'foot-pressure'],
  ),
  'bobbin-loose': inOrder(['case-not-home', 'bobbin-seated'], ['case-upside-down', 'bobbin-seated']),
  'will-not-start': inOrder(
    ['winder-on', 'winder-engaged'],
    ['foot-left-up', 'foot-down'],
    ['thread-in-race', 'lint'],
    ['motor', 'service'],
  ),
  unthreads: inOrder(['tails-loose', 'tails-held'], ['take-up-low', 'take-up']),
  'needle-will-not-go-up': inOrder(['needle-not-seated', 'needle-seated'], ['fragment', 'needle-fragment']),
  'bobbin-will-not-come-up': inOrder(
    ['bobbin-wrong-way', 'bobbin-seated'],
    ['threaded-foot-down', 'rethread-foot-up'],
    ['needle-not-seated', 'needle-seated'],
  ),
  'bobbin-thread-breaks': inOrder(['wound-badly', 'bobbin-wound'], ['plate-burr', 'plate-and-foot'], ['lint', 'lint']),
  'wrong-stitch': inOrder(['off-baseline', 'length-not-zero'], ['dial-moved', 'dial-at-normal']),
  'seam-undone': inOrder(['tails-short', 'tails-held'], ['old-thread', 'thread-quality']),
}

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
  evidence('fresh-needle', { needleHours: { below: 2 } }, WORN, 0.1, 0.45, 'The needle is nearly new.'),
  evidence(
    'strike',
    { recentStrike: { is: true } },
    ['needle-worn', 'plate-burr', 'touching'],
    0.8,
    0.12,
    'It struck something not long ago.',
  ),
  evidence(
    'strike-timing',
    { recentStrike: { is: true } },
    ['timing', 'inside'],
    0.45,
    0.15,
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
      needlePoint: {
        in: ['universal', 'microtex', 'jeans', 'quilting', 'leather', 'topstitch', 'wing', 'twin-universal'],
      },
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

/** How an answer speaks: a check finds its own cause nearly always, and another's hardly ever. */
export const ANSWER = { foundIfSo: 0.9, foundIfNot: 0.04 } as const
/** Seconds to sew a line again after a cure. */
export const SEW_AGAIN_SECONDS = 60
/** How many cures of a room's own weigh as much as everything that is said here. */
export const OWN_CURES = 8
