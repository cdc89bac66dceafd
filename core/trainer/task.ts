import { LOCKSTITCH, type StitchFault } from '../knowledge/stitch/lockstitch'
import { sewLine, type StitchSetup } from '../stitch/lockstitch'
import { CHANGES, VERDICTS, type Answer, type Answered, type Change, type Verdict } from '../knowledge/tension/answer'
import { needOf } from './confusion'
import { newRound, verdictOf } from './swatch-round'

/** Short exercises for the eye. */
export const TASK_KINDS = ['looser', 'read', 'between', 'sort'] as const
export type TaskKind = (typeof TASK_KINDS)[number]

/** One thing to be looked at and told. Plain data; its swatches are those of the stitch model. */
export type Task =
  | { readonly kind: 'read'; readonly swatches: readonly [StitchSetup]; readonly right: Verdict }
  /** in which of two the top thread pulls less: `right` is its index */
  | { readonly kind: 'looser'; readonly swatches: readonly [StitchSetup, StitchSetup]; readonly right: 0 | 1 }
  /** what was done between the first and the second */
  | { readonly kind: 'between'; readonly swatches: readonly [StitchSetup, StitchSetup]; readonly right: Change }
  /** `right` lists the swatches' indices from the loosest top thread to the tightest */
  | { readonly kind: 'sort'; readonly swatches: readonly StitchSetup[]; readonly right: readonly number[] }

/** Scores that an eye tells apart, from the loosest top thread to the tightest: each looks different on one face or the other. */
const LEVELS = [-2.6, -1.25, 0, 1.25, 2.6] as const
/** How far a swatch may lie from its level and still look like it. */
const STRAYS = 0.3
const DIAL = { min: 0, max: 9, normal: 4 }
/** Numbers of the dial between two levels, so that one turn goes from one to the next. */
const TURN = 1.5

type Chance = () => number
const pick = <Thing>(things: readonly Thing[], chance: Chance): Thing => things[Math.floor(chance() * things.length)]!

/** A machine whose faces score as asked at the dial's normal mark: its bobbin's spring makes it so. */
function scoring(score: number, chance: Chance, fault: StitchFault = 'none'): StitchSetup {
  const stackMm = pick([0.5, 0.6, 0.8], chance)
  const lockMm = (score * (stackMm / 2)) / LOCKSTITCH.scoreAtFace
  return {
    dial: DIAL,
    at: DIAL.normal,
    topThreadMm: LOCKSTITCH.referenceThreadMm,
    bobbinThreadMm: LOCKSTITCH.referenceThreadMm,
    bobbinSpring: Math.exp(-lockMm / LOCKSTITCH.riseMm),
    stackMm,
    massGsm: pick([130, 160, 200], chance),
    dense: false,
    lengthMm: 2.5,
    widthMm: 0,
    fault,
  }
}

const nearLevel = (level: number, chance: Chance): number => LEVELS[level]! + (chance() - 0.5) * 2 * STRAYS

/** Draws by weight. */
function weighted<Thing>(things: readonly Thing[], weight: (thing: Thing) => number, chance: Chance): Thing {
  let left = chance() * things.reduce((sum, each) => sum + weight(each), 0)
  return things.find((each) => (left -= weight(each)) < 0) ?? things.at(-1)!
}

/** Tries after which the last swatch drawn is taken for what it is. */
const TRIES = 60
/** How every kind of swatch can be had: what is not drawn by chance in a few tries is rare. */
function showing(verdict: Verdict, chance: Chance): StitchSetup {
  if (verdict === 'too-loose') return scoring(nearLevel(pick([0, 1], chance), chance), chance)
  if (verdict === 'too-tight') return scoring(nearLevel(pick([3, 4], chance), chance), chance)
  let round = newRound(chance)
  for (let tried = 1; tried < TRIES && verdictOf(round) !== verdict; tried += 1) round = newRound(chance)
  return round.setup
}

/** What a swatch shows. */
export const verdictOn = (setup: StitchSetup): Verdict =>
  verdictOf({ setup, done: [], right: 0, of: 0, finished: false })

/** The next task of a kind: by chance, and oftener what this person took for something else. */
export function newTask(kind: TaskKind, answers: readonly Answered[], chance: Chance): Task {
  switch (kind) {
    case 'read': {
      const wanted = weighted(READABLE, (each) => needOf(answers, each), chance)
      const swatch = showing(wanted, chance)
      return { kind, swatches: [swatch], right: verdictOn(swatch) }
    }
    case 'looser': {
      // Whoever mixes up loose and tight begins with what lies far apart.
      const apart = needOf(answers, 'too-loose') > 2 ? pick([3, 4], chance) : pick([1, 1, 2], chance)
      const lower = Math.floor(chance() * (LEVELS.length - apart))
      const pair = [lower, lower + apart].map((level) => scoring(nearLevel(level, chance), chance))
      const right = chance() < 0.5 ? 0 : 1
      return { kind, swatches: right === 0 ? [pair[0]!, pair[1]!] : [pair[1]!, pair[0]!], right }
    }
    case 'between': {
      const right = weighted(CHANGES, (each) => needOf(answers, each), chance)
      return { kind, swatches: changedBy(right, chance), right }
    }
    case 'sort': {
      const swatches = shuffled(LEVELS, chance).map((level) => scoring(level + (chance() - 0.5) * STRAYS, chance))
      return { kind, swatches, right: fromLoosest(swatches) }
    }
  }
}

/** What one look at a swatch can tell: wrong for the cloth is told by hand. */
const READABLE = VERDICTS.filter((each) => each !== 'cloth')

/** A swatch, and the one sewn after something was done that shows. */
function changedBy(change: Change, chance: Chance): [StitchSetup, StitchSetup] {
  if (change === 'rethread' || change === 'change-needle') {
    const before = scoring(0, chance, change === 'rethread' ? 'out-of-discs' : 'worn-needle')
    return [before, { ...before, fault: 'none' }]
  }
  const up = change === 'dial-up'
  const before = scoring(nearLevel(pick(up ? [0, 1, 2, 3] : [1, 2, 3, 4], chance), chance), chance)
  // The thicker the stack, the more of a turn it hides.
  const turn = TURN * (before.stackMm / 0.6)
  return [before, { ...before, at: before.at + (up ? turn : -turn) }]
}

function shuffled<Thing>(things: readonly Thing[], chance: Chance): Thing[] {
  const left = [...things]
  return things.map(() => left.splice(Math.floor(chance() * left.length), 1)[0]!)
}

const fromLoosest = (swatches: readonly StitchSetup[]): number[] =>
  swatches
    .map((swatch, index) => ({ index, s: sewLine(swatch).s }))
    .sort((a, b) => a.s - b.s)
    .map(({ index }) => index)

/** An answer to a task: what a swatch shows, which of two, what was done, or an order of indices. */
export type Said = Answer | 0 | 1 | readonly number[]

/**
 * An answer told from the truth: marks of so many, and what goes into the book as shown and taken for what. Of two that are both
 * too loose, or both too tight, a wrong choice takes nothing for something else, and nothing of it is written.
 */
export function answerTask(
  task: Task,
  said: Said,
): { readonly right: number; readonly of: number; readonly answered?: Answered } {
  switch (task.kind) {
    case 'read':
    case 'between':
      return { right: said === task.right ? 1 : 0, of: 1, answered: { shown: task.right, said: said as Answer } }
    case 'looser': {
      const right = said === task.right
      const verdicts = task.swatches.map(verdictOn)
      const tells = verdicts.includes('too-loose') && verdicts.includes('too-tight')
      const took = right ? ('too-loose' as const) : ('too-tight' as const)
      return { right: right ? 1 : 0, of: 1, ...(tells && { answered: { shown: 'too-loose', said: took } }) }
    }
    case 'sort': {
      const order = said as readonly number[]
      const place = new Map(task.right.map((index, at) => [index, at]))
      const pairs = order.flatMap((one, at) => order.slice(at + 1).map((other) => place.get(one)! < place.get(other)!))
      const kept = pairs.filter(Boolean).length
      // A mark less for any two out of turn; turned round altogether is loose taken for tight.
      const right = Math.floor((kept / pairs.length) * (order.length - 1))
      const mixed = kept * 2 < pairs.length
      return { right, of: order.length - 1, answered: { shown: 'too-loose', said: mixed ? 'too-tight' : 'too-loose' } }
    }
  }
}

/** Says why, once it is answered. */
export function taskBecause(task: Task): string {
  switch (task.kind) {
    case 'read':
      return READ_BECAUSE[task.right]
    case 'looser':
      return `In ${task.right === 0 ? 'A' : 'B'} the top thread pulls less: it lies lower, so more of it shows underneath or less of the bobbin’s on top.`
    case 'between':
      return BETWEEN_BECAUSE[task.right]
    case 'sort':
      return 'From loose to tight: loops underneath, dots underneath, each its own colour, dots on top, a line on top.'
  }
}

const READ_BECAUSE: Readonly<Record<Verdict, string>> = {
  good: 'Each face shows its own colour, and no stitch is missing.',
  'too-tight': 'The bobbin’s colour stands on top: the top thread pulls it up.',
  'too-loose': 'The top thread’s colour shows underneath: it is drawn down.',
  threading: 'A nest underneath comes of thread that nothing holds; no dial does that.',
  needle: 'Stitches are missing or the thread frays, and no dial does that.',
  cloth: 'Both faces are right, and the cloth still gathers: stitch or needle do not suit it.',
}
const BETWEEN_BECAUSE: Readonly<Record<Change, string>> = {
  'dial-up': 'The top thread pulls more: what showed underneath goes, or the bobbin’s colour comes up.',
  'dial-down': 'The top thread pulls less: what showed on top goes, or its colour comes through underneath.',
  rethread: 'The nest is gone: the top thread lies in the discs again.',
  'change-needle': 'No stitch is missing any more, and the colours are where they were: that was the needle.',
}
