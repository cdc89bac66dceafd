import { DIAL_LIMITS } from '../knowledge/tension/dial-fit'
import { GATE_ACTION, GATES, TARGET_SCORE, TOP_SCORE, type Gate, type Target } from '../knowledge/tension/tension'
import { plain } from '../units/words'
import { dialUnit, type Dial } from '../units/dial'
import { fitDial, plainSlope, type DialFit, type DialReading } from './dial-fit'
import {
  acceptedScores,
  isFaulty,
  measuredScore,
  readSwatch,
  type Reading,
  type SwatchLook,
  type SwatchReading,
} from './reading'

export type NextAction =
  | 'restore'
  | (typeof GATE_ACTION)[Gate]
  | 'dial'
  | 'bobbin-screw'
  | 'stitch-length'
  | 'stabilise'
  | 'guide'
  | 'call-mentor'
  | 'service'
  | 'not-the-dial'
  | 'done'

export type SwatchAt = SwatchLook & { readonly dial: number }

export interface TensionQuestion {
  readonly dial: Dial
  readonly target: Target
  /** the kit's starting dial; absent: the normal mark */
  readonly start?: number
  /** what has been done since the trouble began */
  readonly done: readonly Gate[]
  /** this trouble's swatches, oldest first, at least one; the last is the one in hand */
  readonly swatches: readonly SwatchAt[]
  /** swatches of other days on this machine with this kind of thread */
  readonly past?: readonly SwatchAt[]
  /** the cloth under the foot, all layers; absent: an ordinary stack */
  readonly stackMm?: number
  readonly role: 'learner' | 'staff'
  readonly school: 'hands-on' | 'hands-off'
  readonly bobbinScrew: boolean
}

export interface TensionStep extends SwatchReading {
  readonly next: { readonly do: NextAction; readonly dial?: number }
  readonly because: string
  /** where the dial is right with four chances in five, in its own marks; absent when no reading speaks of the dial */
  readonly interval?: readonly [number, number]
}

type Say = (action: NextAction, because: string, dial?: number, reading?: Reading) => TensionStep

/**
 * A good swatch is done wherever the dial stands; a dial found off is put back before anything else; then signs, the gates in
 * their order, and the dial last.
 */
export function nextStep(question: TensionQuestion): TensionStep {
  const { dial, swatches, done, role, start = dial.normal } = question
  const swatch = swatches.at(-1)!
  const reading = readSwatch(swatch, question.target)
  const fit = fitOf(question)
  const step: Say = (action, because, mark, as) => ({
    ...reading,
    ...(as && { reading: as }),
    next: { do: action, ...(mark !== undefined && { dial: mark }) },
    because,
    ...(fit && { interval: within(fit.interval, mark ?? fit.best, limitsOf(question)) }),
  })
  const signs = swatch.signs ?? []
  const is = (gate: Gate) => done.includes(gate)
  const away = Math.abs(swatch.dial - start) / dialUnit(dial)
  const faulty = isFaulty(swatch)

  if (reading.onTarget && !faulty) {
    if (signs.includes('puckered'))
      return step('stitch-length', 'Balanced but puckered: a shorter stitch, then a finer needle.')
    if (signs.includes('ridge')) return step('stabilise', 'Balanced with a ridge: support the cloth from behind.')
    if (signs.includes('wobble')) return step('guide', 'Balanced but wobbling: watch the guide, not the needle.')
    return step('done', `Both faces are as they should be.${away > DIAL_LIMITS.noted + 1e-9 ? FAR_OFF : ''}`)
  }
  if (swatches.length === 1 && away > DIAL_LIMITS.foundOff + 1e-9) {
    return step(
      'restore',
      `The dial was found at ${plain(swatch.dial)}, and this kit starts at ${plain(start)}: put it back, write down what it stood at, and sew a line again. Nothing is broken.`,
      start,
    )
  }
  if (faulty) {
    const seen = signs.includes('skipped') ? 'Skipped stitches' : 'Shredding thread'
    if (!is('needle')) return step('change-needle', `${seen}: the needle first, never the dial.`)
    if (signs.includes('skipped')) return step('not-the-dial', 'Still skipping with a new needle: no dial cures that.')
    if (!is('same-thread'))
      return step('match-thread', 'Still shredding with a new needle: the thread or its eye is next.')
    return step('not-the-dial', 'Still shredding with a new needle and good thread: no dial cures that.')
  }
  if (reading.reading === 'threading') {
    if (!is('rethreaded')) {
      return step('rethread', 'A nest means that the discs do not hold the thread: re-thread with the foot up.')
    }
    return role === 'learner'
      ? step('call-mentor', 'A nest again after re-threading: ask for a second pair of eyes.')
      : step('not-the-dial', 'A nest again after re-threading: look for a crack, a burr or lint in the discs.')
  }
  const gate = GATES.find((each) => !is(each))
  if (gate) return step(GATE_ACTION[gate], GATE_SENTENCES[gate])
  if (reading.reading === 'mixed')
    return step('not-the-dial', 'Both faces are off after every check: no dial does that.')
  if (role === 'learner' && question.school === 'hands-off') {
    return step('call-mentor', 'Here a mentor turns the dial with you, until somebody has signed you off for it.')
  }
  return dialStep(question, reading, fit!, step)
}

const FAR_OFF =
  ' That is over two numbers from where this kit starts: good for tonight, and a note for staff to look at bobbin spring and thread.'

/** The readings that a dial can answer for: threading, needle and feed faults never enter the fit. */
function dialReadings(swatches: readonly SwatchAt[], target: Target, past: boolean): DialReading[] {
  return swatches.flatMap((swatch) => {
    const { s, reading } = readSwatch(swatch, target)
    const other = swatch.signs?.some((sign) => sign === 'skipped' || sign === 'shredding')
    if (other || reading === 'threading' || reading === 'mixed') return []
    return [{ dial: swatch.dial, s, ...measuredScore(swatch), ...(past && { past }) }]
  })
}

function fitOf({
  dial,
  start = dial.normal,
  target,
  swatches,
  past = [],
  stackMm,
}: TensionQuestion): DialFit | undefined {
  const now = dialReadings(swatches, target, false)
  if (now.length === 0) return undefined
  const unit = dialUnit(dial)
  return fitDial([...dialReadings(past, target, true), ...now], {
    start,
    unit,
    target: TARGET_SCORE[target].score,
    accepted: acceptedScores(target),
    stackMm,
  })
}

/**
 * How far the dial may be turned for this kit, in its own marks: by a learner two numbers from its start, though on a narrow
 * scale never less than two marks; by staff to the dial's own ends.
 */
function limitsOf({ dial, start = dial.normal, role }: TensionQuestion): {
  readonly low: number
  readonly high: number
} {
  if (role === 'staff') return { low: dial.min, high: dial.max }
  const reach = Math.max(DIAL_LIMITS.reach * dialUnit(dial), DIAL_LIMITS.leastMarks * dial.step)
  return { low: Math.max(dial.min, start - reach), high: Math.min(dial.max, start + reach) }
}

const within = (
  [from, to]: readonly [number, number],
  dial: number,
  { low, high }: { low: number; high: number },
): readonly [number, number] => {
  const clamp = (value: number) => Math.min(high, Math.max(low, value))
  return [Math.min(clamp(from), clamp(dial)), Math.max(clamp(to), clamp(dial))]
}

const GATE_SENTENCES: Readonly<Record<Gate, string>> = {
  rethreaded: 'Re-thread the top with the foot up: by far the most common cure, and it costs under a minute.',
  needle: 'Threading is done; next a new needle of the right point and size, pushed up to the stop.',
  bobbin: 'Next the bobbin, out, looked at and back in: right class, right way round, under its spring.',
  'same-thread': 'Next the thread: the same weight above and below, and not an old spool.',
  clean: 'Next lint: out of the discs, the plate and the race.',
}

/** Where to turn the dial, or who takes over when turning it leads nowhere. */
function dialStep(question: TensionQuestion, { reading, s }: SwatchReading, fit: DialFit, step: Say): TensionStep {
  const { dial, target, swatches, role } = question
  const unit = dialUnit(dial)
  const { low, high } = limitsOf(question)
  const at = swatches.at(-1)!.dial
  const slack = dial.step * 1e-6
  const readings = dialReadings(swatches, target, false)
  const { score } = TARGET_SCORE[target]
  const tooTight = reading === 'top-little-tight' || reading === 'top-far-tight'

  const here = readings.filter((each) => Math.abs(each.dial - at) < slack)
  if (here.some((each) => each.s > score) && here.some((each) => each.s < score)) {
    return here.length === 2
      ? step(
          'check-bobbin',
          `Two swatches at ${plain(at)} say opposite things: look at the bobbin for jerks, and stitch again at ${plain(at)}.`,
          at,
        )
      : nearest(at, `Swatches at ${plain(at)} fall on both sides`)
  }
  const flat = deadOrCapped(question, readings, step)
  if (flat) return flat

  // Between the nearest dial that was too loose and the nearest that was too tight, as far as they agree with each other.
  const loose = Math.max(
    low - dial.step,
    ...readings.filter((each) => each.s < score && each.dial < at - slack).map((each) => each.dial),
  )
  const tight = Math.min(
    high + dial.step,
    ...readings.filter((each) => each.s > score && each.dial > at + slack).map((each) => each.dial),
  )
  const [from, to] = tooTight ? [loose, at] : [at, tight]
  const bracketed = tooTight ? loose >= low - slack : tight <= high + slack
  const isTried = (mark: number) => swatches.some((each) => Math.abs(each.dial - mark) < slack)
  const marks = marksBetween(dial, Math.max(low, from), Math.min(high, to)).filter(
    (mark) => mark > from + slack && mark < to - slack && !isTried(mark),
  )
  const middle = Number(((from + to) / 2).toFixed(6))
  // Between two marks that a learner may not turn to there is nothing for a learner.
  if (bracketed && marks.length === 0 && middle >= low - slack && middle <= high + slack) {
    if (to - from > dial.step * 0.75 && !isTried(middle) && !learnersLast(question))
      return step(
        'dial',
        `${plain(from)} and ${plain(to)} lie either side of it: a dial is a knob, so try half-way, at ${plain(middle)}, once.`,
        middle,
      )
    const off = (mark: number) =>
      Math.min(...readings.filter((each) => Math.abs(each.dial - mark) < slack).map((each) => Math.abs(each.s - score)))
    return nearest(off(to) < off(from) ? to : from, `${plain(from)} and ${plain(to)} fall on either side`)
  }
  const least = bracketed ? DIAL_LIMITS.laterMove * unit : Math.max(DIAL_LIMITS.firstMove * unit, dial.step)
  const far = marks.filter((mark) => Math.abs(mark - at) >= least - slack)
  // A first move that shows nothing is none; later ones may be small.
  const small = bracketed || swatches.length > 1 ? marks : []
  const setting = likeliest(far.length > 0 ? far : small, fit, tellingMark(question, readings))
  if (setting !== undefined && !learnersLast(question)) {
    const seen = tooTight ? 'The bobbin pulls up' : 'The top thread goes below'
    return step(
      'dial',
      `${seen} (score ${plain(s)}) and everything before the dial is done, so try ${plain(setting)}: from ${swatches.length === 1 ? 'this swatch' : `${swatches.length} swatches`} the right place is most likely near ${plain(fit.best)}.`,
      setting,
    )
  }
  const limit = learnersLast(question)
    ? `${swatches.length} swatches are enough`
    : `${plain(at)} is as far as this ${role === 'learner' ? 'kit’s dial goes for a learner' : 'dial goes'} (${plain(low)} to ${plain(high)})`
  return handOver(question, limit, step)

  /** Two marks, or two swatches at one, fall either side and nothing is left between them: the better is taken. */
  function nearest(mark: number, because: string): TensionStep {
    return step(
      'done',
      `${because}, and nothing lies between: ${plain(mark)} is as near as this dial comes. Confirm it with 3 cm on the thickest crossing.`,
      mark,
      'as-near',
    )
  }
}

/** A learner has sewn as many swatches as are good for a learner; staff go on while the trend is clear. */
const learnersLast = ({ role, swatches }: TensionQuestion): boolean =>
  role === 'learner' && swatches.length >= DIAL_LIMITS.mostSwatches

function handOver({ dial, swatches, role, bobbinScrew }: TensionQuestion, limit: string, step: Say): TensionStep {
  if (role === 'learner') return step('call-mentor', `${limit}: ask a mentor.`)
  const at = swatches.at(-1)!.dial
  const slack = dial.step * 1e-6
  const atEnd = at <= dial.min + slack || at >= dial.max - slack
  return bobbinScrew && atEnd
    ? step('bobbin-screw', `${limit}: the bobbin screw, by counted eighths, and log it.`)
    : step('service', `${limit}: look at bobbin spring and thread; the rest is for a technician.`)
}

/** What is said when swatch after swatch shows the same; undefined while that cannot be said. */
function deadOrCapped(question: TensionQuestion, readings: readonly DialReading[], step: Say): TensionStep | undefined {
  const { dial, role, bobbinScrew } = question
  // Within a learner's reach a slow dial looks like a dead one: that is for a mentor to tell, at the end of it.
  if (role === 'learner') return undefined
  const unit = dialUnit(dial)
  const { flatSwatches, flatSpan, flatSlope } = DIAL_LIMITS
  if (readings.length < flatSwatches || span(readings) < flatSpan * unit - 1e-9) return undefined
  const last = readings.slice(-flatSwatches)
  // "At least so much" three times over is no slope: how much more, nobody saw.
  if (last.every(({ s }) => Math.abs(s) >= CAPPED && Math.sign(s) === Math.sign(last[0]!.s))) {
    const because = `${last.length} swatches show all there is to see, wherever the dial stands: the bobbin spring, or the thread`
    return bobbinScrew
      ? step('bobbin-screw', `${because}. The screw by counted eighths, and log it.`)
      : step('check-bobbin', `${because}. Bobbin out: its spring, its thread, its way round.`)
  }
  const slope = plainSlope(readings)
  if (slope === undefined || slope * unit >= flatSlope) return undefined
  const because = `${readings.length} swatches over ${plain(span(readings))} of the dial changed the score by ${plain(slope * unit)} a number`
  return step('not-the-dial', `${because}, so it is not the dial.`)
}

/** A face shows no more than this: a line, or loops. */
const CAPPED = Math.max(...Object.values(TOP_SCORE))

/**
 * Where every dial that works would show a change: asked for once, when two swatches on one side look alike, so that the third
 * tells a slow dial from a dead one.
 */
function tellingMark(question: TensionQuestion, readings: readonly DialReading[]): number | undefined {
  const { dial, role } = question
  const [first, second] = readings
  if (role === 'learner' || !first || !second || readings.length !== 2 || Math.sign(first.s) !== Math.sign(second.s))
    return undefined
  if (Math.abs(second.s) < Math.abs(first.s)) return undefined
  const { low, high } = limitsOf(question)
  const way = Math.sign(second.dial - first.dial)
  // Of a line nobody knows how much it is, so only the end of the dial tells.
  const mark = Math.abs(second.s) >= CAPPED ? way * Infinity : first.dial + way * DIAL_LIMITS.telling * dialUnit(dial)
  return Math.min(high, Math.max(low, mark))
}

const span = (readings: readonly DialReading[]): number =>
  Math.max(...readings.map(({ dial }) => dial)) - Math.min(...readings.map(({ dial }) => dial))

/** The marks of a dial from `low` to `high`. */
function marksBetween(dial: Dial, low: number, high: number): number[] {
  const slack = dial.step * 1e-6
  const first = Math.ceil((low - dial.min - slack) / dial.step)
  const last = Math.floor((high - dial.min + slack) / dial.step)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) =>
    Number((dial.min + (first + index) * dial.step).toFixed(6)),
  )
}

/** The mark at which the stitch is most likely right; or the one nearest to where it tells most. */
function likeliest(marks: readonly number[], fit: DialFit, telling: number | undefined): number | undefined {
  if (marks.length === 0) return undefined
  const worth = telling === undefined ? fit.chance : (mark: number) => -Math.abs(mark - telling)
  return marks.map((mark) => ({ mark, worth: worth(mark) })).reduce((a, b) => (b.worth > a.worth ? b : a)).mark
}
