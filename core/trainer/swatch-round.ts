import { STITCH_FAULTS, STITCH_FAULT_WORDS, type StitchFault } from '../knowledge/stitch/lockstitch'
import { MOVE_WORDS, type Move, type Verdict } from '../knowledge/tension/answer'
import { GATES, type Gate } from '../knowledge/tension/tension'
import { sewLine, type StitchResult, type StitchSetup } from '../stitch/lockstitch'
import { nextStep, type NextAction } from '../tension/next-step'
import { readSwatch } from '../tension/reading'

/** What a learner may expect of a turn of the dial before it is sewn. */
export const PREDICTIONS = ['knot-rises', 'knot-sinks', 'nothing'] as const
export type Prediction = (typeof PREDICTIONS)[number]
export const PREDICTION_WORDS: Readonly<Record<Prediction, string>> = {
  'knot-rises': 'The knots move up, towards the top',
  'knot-sinks': 'The knots sink, towards the back',
  nothing: 'Nothing will change',
}

/** One swatch to be put right: the machine as it stands, and what has been tried. Plain data. */
export interface Round {
  readonly setup: StitchSetup
  readonly done: readonly Gate[]
  /** right answers and answers given, so far */
  readonly right: number
  readonly of: number
  readonly finished: boolean
}

const DIAL = { min: 0, max: 9, normal: 4 }

/** A random machine with something wrong, or nothing. Faults that are no tension come as often as the dial. */
export function newRound(chance: () => number): Round {
  const pick = <Thing>(things: readonly Thing[]): Thing => things[Math.floor(chance() * things.length)]!
  const kind = chance()
  const fault: StitchFault = kind < 0.4 ? 'none' : pick(STITCH_FAULTS.filter((each) => each !== 'none'))
  // Nothing wrong, a dial that somebody turned, or a spring that differs.
  const turned = fault === 'none' && kind > 0.08 ? pick([-2, 2]) : 0
  return {
    setup: {
      dial: DIAL,
      at: DIAL.normal,
      topThreadMm: 0.2,
      bobbinThreadMm: 0.2,
      // The spring makes the right place lie elsewhere than the mark.
      bobbinSpring: Math.exp(0.35 * -turned),
      stackMm: pick([0.5, 0.6, 0.8]),
      massGsm: pick([130, 160, 200]),
      dense: false,
      lengthMm: 2.5,
      widthMm: 0,
      fault,
    },
    done: [],
    right: 0,
    of: 0,
    finished: false,
  }
}

export const stitched = ({ setup }: Round): StitchResult => sewLine(setup)

/** What this swatch really shows. */
export function verdictOf(round: Round): Verdict {
  const { look } = stitched(round)
  if (look.signs.some((sign) => sign === 'skipped' || sign === 'shredding')) return 'needle'
  const { reading, onTarget } = readSwatch(look, 'straight')
  if (reading === 'threading') return 'threading'
  if (onTarget) return look.signs.length > 0 ? 'cloth' : 'good'
  return reading === 'top-little-tight' || reading === 'top-far-tight' ? 'too-tight' : 'too-loose'
}

/** What should be done next: by the order of the checks, the dial last. */
export function rightMove(round: Round): Move {
  const { setup, done } = round
  const { next } = nextStep({
    dial: { ...DIAL, step: 0.5 },
    target: 'straight',
    done,
    swatches: [{ dial: setup.at, ...stitched(round).look }],
    role: 'staff',
    school: 'hands-on',
    bobbinScrew: false,
  })
  if (next.do === 'dial' || next.do === 'restore') return next.dial! < setup.at ? 'dial-down' : 'dial-up'
  const move: Partial<Record<NextAction, Move>> = {
    rethread: 'rethread',
    'change-needle': 'change-needle',
    'check-bobbin': 'check-bobbin',
    'match-thread': 'match-thread',
    clean: 'clean',
    done: 'done',
  }
  return move[next.do] ?? 'done'
}

const GATE_OF: Readonly<Partial<Record<Move, Gate>>> = {
  rethread: 'rethreaded',
  'change-needle': 'needle',
  'check-bobbin': 'bobbin',
  'match-thread': 'same-thread',
  clean: 'clean',
}
/** What each move cures. */
const CURES: Readonly<Partial<Record<Move, readonly StitchFault[]>>> = {
  rethread: ['out-of-discs', 'tails-loose'],
  'change-needle': ['worn-needle', 'wrong-point', 'tight-eye'],
  'check-bobbin': ['reversed-bobbin'],
}

/** Answers what the swatch shows. */
export function answerVerdict(round: Round, verdict: Verdict): { readonly round: Round; readonly right: boolean } {
  const right = verdict === verdictOf(round)
  return { right, round: { ...round, right: round.right + (right ? 1 : 0), of: round.of + 1 } }
}

/** Whether a move can be predicted before it is sewn: what a dial does is known, what a new needle cures is not. */
export const isPredictable = (move: Move): boolean => move === 'dial-up' || move === 'dial-down'

/** Answers what a turn of the dial will do, told from the swatch that it would make. */
export function answerPrediction(
  round: Round,
  move: Move,
  prediction: Prediction,
): { readonly round: Round; readonly right: boolean; readonly truth: Prediction } {
  const before = stitched(round).s
  const after = stitched(makeMove(round, move).round).s
  const truth: Prediction = after > before ? 'knot-rises' : after < before ? 'knot-sinks' : 'nothing'
  const right = prediction === truth
  return { right, truth, round: { ...round, right: round.right + (right ? 1 : 0), of: round.of + 1 } }
}

/**
 * Does something and stitches again. Only the order is scored: what was done out of turn is done all the same, as it would be
 * at a machine.
 */
export function makeMove(
  round: Round,
  move: Move,
): { readonly round: Round; readonly right: boolean; readonly because: string } {
  const wanted = rightMove(round)
  const right = move === wanted
  const scored = { ...round, right: round.right + (right ? 1 : 0), of: round.of + 1 }
  const { setup } = round
  if (move === 'done') {
    const good = verdictOf(round) === 'good' || wanted === 'done'
    return {
      right,
      round: { ...scored, finished: good },
      because: good ? 'Both faces are as they should be.' : 'Not yet: look at both faces again.',
    }
  }
  const gate = GATE_OF[move]
  const cured = CURES[move]?.includes(setup.fault) ?? false
  const at = move === 'dial-down' ? setup.at - 1 : move === 'dial-up' ? setup.at + 1 : setup.at
  const next: Round = {
    ...scored,
    setup: {
      ...setup,
      at: Math.min(DIAL.max, Math.max(DIAL.min, at)),
      fault: cured ? 'none' : setup.fault,
    },
    done: gate ? GATES.filter((each) => each === gate || round.done.includes(each)) : round.done,
  }
  return { right, round: next, because: becauseOf(round, move, wanted, cured) }
}

function becauseOf({ setup }: Round, move: Move, wanted: Move, cured: boolean): string {
  if (cured) return `${STITCH_FAULT_WORDS[setup.fault]}. That was it, and no dial would have cured it.`
  if (move === wanted) {
    return move === 'dial-down' || move === 'dial-up'
      ? 'Everything before the dial is done, so the dial’s turn has come.'
      : 'In its turn: cheap and common first. Now look at the new swatch.'
  }
  return `First comes: ${MOVE_WORDS[wanted].toLowerCase()}. The dial is last, since most of this is threading, needle or bobbin.`
}
