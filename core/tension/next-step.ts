import { DIAL_LIMITS } from '../knowledge/dial-fit'
import { GATE_ACTION, GATES, TARGET_SCORE, type Gate, type Target } from '../knowledge/tension'
import { plain } from '../knowledge/rule'
import { dialUnit, type Dial } from '../units/dial'
import { fitDial, plainSlope, type DialFit, type DialReading } from './dial-fit'
import { readSwatch, type SwatchLook, type SwatchReading } from './reading'

export type NextAction =
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

/** Re-thread first, dial last: the next thing to do after one swatch, in the order of the gates. */
export function nextStep(question: TensionQuestion): TensionStep {
  const { swatches, done, role } = question
  const swatch = swatches.at(-1)!
  const reading = readSwatch(swatch, question.target)
  const fit = fitOf(question)
  const step = (action: NextAction, because: string, dial?: number): TensionStep => ({
    ...reading,
    next: { do: action, ...(dial !== undefined && { dial }) },
    because,
    ...(fit && { interval: within(fit.interval, dial ?? fit.best, limitsOf(question)) }),
  })
  const signs = swatch.signs ?? []
  const is = (gate: Gate) => done.includes(gate)

  if (signs.includes('skipped') || signs.includes('shredding')) {
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
  if (reading.onTarget) {
    if (signs.includes('puckered'))
      return step('stitch-length', 'Balanced but puckered: a shorter stitch, then a finer needle.')
    if (signs.includes('ridge')) return step('stabilise', 'Balanced with a ridge: support the cloth from behind.')
    if (signs.includes('wobble')) return step('guide', 'Balanced but wobbling: watch the guide, not the needle.')
    return step('done', 'Both faces are as they should be.')
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

/** The readings that a dial can answer for: threading, needle and feed faults never enter the fit. */
function dialReadings(swatches: readonly SwatchAt[], target: Target, past: boolean): DialReading[] {
  return swatches.flatMap((swatch) => {
    const { s, reading } = readSwatch(swatch, target)
    const other = swatch.signs?.some((sign) => sign === 'skipped' || sign === 'shredding')
    if (other || reading === 'threading' || reading === 'mixed') return []
    return [{ dial: swatch.dial, s, ...(past && { past }) }]
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
    stackMm,
  })
}

/** How far the dial may be turned for this kit, in its own marks. */
function limitsOf({ dial, start = dial.normal }: TensionQuestion): { readonly low: number; readonly high: number } {
  const unit = dialUnit(dial)
  return {
    low: Math.max(dial.min, start - DIAL_LIMITS.reach * unit),
    high: Math.min(dial.max, start + DIAL_LIMITS.reach * unit),
  }
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
function dialStep(
  question: TensionQuestion,
  { reading, s }: SwatchReading,
  fit: DialFit,
  step: (action: NextAction, because: string, dial?: number) => TensionStep,
): TensionStep {
  const { dial, target, swatches, role, bobbinScrew } = question
  const unit = dialUnit(dial)
  const { low, high } = limitsOf(question)
  const at = swatches.at(-1)!.dial
  const readings = dialReadings(swatches, target, false)
  const slope = flatSlope(readings, unit)
  if (slope !== undefined) {
    return step(
      'not-the-dial',
      `${readings.length} swatches over ${plain(span(readings))} of the dial changed the score by ${plain(slope * unit)} a number, so it is not the dial.`,
    )
  }
  const { score } = TARGET_SCORE[target]
  const tooTight = reading === 'top-little-tight' || reading === 'top-far-tight'
  // Between the nearest dial that was too loose and the nearest that was too tight, as far as they agree with each other.
  const loose = Math.max(
    low - dial.step,
    ...readings.filter((each) => each.s < score && each.dial < at).map((each) => each.dial),
  )
  const tight = Math.min(
    high + dial.step,
    ...readings.filter((each) => each.s > score && each.dial > at).map((each) => each.dial),
  )
  const [from, to] = tooTight ? [loose, at] : [at, tight]
  const bracketed = tooTight ? loose >= low : tight <= high
  const tried = new Set(swatches.map((each) => each.dial))
  const slack = dial.step * 1e-6
  const marks = marksBetween(dial, Math.max(low, from), Math.min(high, to)).filter(
    (mark) => mark > from + slack && mark < to - slack && !tried.has(mark),
  )
  const least = (bracketed ? DIAL_LIMITS.laterMove : DIAL_LIMITS.firstMove) * unit
  const far = marks.filter((mark) => Math.abs(mark - at) >= least - slack)
  // A first move that shows nothing is none; later ones may be small.
  const small = bracketed || swatches.length > 1 ? marks : []
  const setting = nearest(far.length > 0 ? far : small, fit.best)
  const used = swatches.length >= DIAL_LIMITS.mostSwatches
  if (setting !== undefined && !used) {
    const seen = tooTight ? 'The bobbin pulls up' : 'The top thread goes below'
    return step(
      'dial',
      `${seen} (score ${plain(s)}) and everything before the dial is done, so try ${plain(setting)}: from ${swatches.length === 1 ? 'this swatch' : `${swatches.length} swatches`} the right place is most likely near ${plain(fit.best)}.`,
      setting,
    )
  }
  const limit = used
    ? `${swatches.length} swatches are enough`
    : bracketed
      ? `No untried mark is left between ${plain(from)} and ${plain(to)}`
      : `${plain(at)} is as far as this kit’s dial goes (${plain(low)} to ${plain(high)})`
  if (role === 'learner') return step('call-mentor', `${limit}: ask a mentor.`)
  const atEnd = at <= dial.min + slack || at >= dial.max - slack
  return bobbinScrew && atEnd
    ? step('bobbin-screw', `${limit}: the bobbin screw, by counted eighths, and log it.`)
    : step('service', `${limit}: the rest is for a technician.`)
}

const span = (readings: readonly DialReading[]): number =>
  Math.max(...readings.map(({ dial }) => dial)) - Math.min(...readings.map(({ dial }) => dial))

/** The slope of a dial that changes nothing, or the wrong way; undefined while that cannot be said. In score per mark. */
function flatSlope(readings: readonly DialReading[], unit: number): number | undefined {
  const { flatSwatches, flatSpan, flatSlope: least } = DIAL_LIMITS
  if (readings.length < flatSwatches || span(readings) < flatSpan * unit - 1e-9) return undefined
  const slope = plainSlope(readings)
  return slope !== undefined && slope * unit < least ? slope : undefined
}

/** The marks of a dial from `low` to `high`. */
function marksBetween(dial: Dial, low: number, high: number): number[] {
  const slack = dial.step * 1e-6
  const first = Math.ceil((low - dial.min - slack) / dial.step)
  const last = Math.floor((high - dial.min + slack) / dial.step)
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) =>
    Number((dial.min + (first + index) * dial.step).toFixed(6)),
  )
}

const nearest = (marks: readonly number[], wanted: number): number | undefined =>
  marks.length === 0
    ? undefined
    : marks.reduce((best, mark) => (Math.abs(mark - wanted) < Math.abs(best - wanted) ? mark : best))
