import { GATE_ACTION, GATES, type Gate, type Target } from '../knowledge/tension'
import { plain } from '../knowledge/rule'
import { dialUnit, nearestMark, type Dial } from '../units/dial'
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

export interface TensionQuestion {
  readonly dial: Dial
  readonly target: Target
  /** the kit's starting dial; absent: the normal mark */
  readonly start?: number
  /** what has been done since the trouble began */
  readonly done: readonly Gate[]
  readonly swatch: SwatchLook & { readonly dial: number }
  readonly role: 'learner' | 'staff'
  readonly school: 'hands-on' | 'hands-off'
  readonly bobbinScrew: boolean
}

export interface TensionStep extends SwatchReading {
  readonly next: { readonly do: NextAction; readonly dial?: number }
  readonly because: string
}

/** The dial stays within this many numbers of its start. */
const REACH = 2

/** Re-thread first, dial last: the next thing to do after one swatch, in the order of the gates. */
export function nextStep(question: TensionQuestion): TensionStep {
  const { swatch, done, role } = question
  const reading = readSwatch(swatch, question.target)
  const step = (action: NextAction, because: string, dial?: number): TensionStep => ({
    ...reading,
    next: { do: action, ...(dial !== undefined && { dial }) },
    because,
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
    return step('call-mentor', 'In this room a mentor turns the dial.')
  }
  return dialStep(question, reading, step)
}

const GATE_SENTENCES: Readonly<Record<Gate, string>> = {
  rethreaded: 'Re-thread the top with the foot up: by far the most common cure, and it costs under a minute.',
  needle: 'Threading is done; next a new needle of the right point and size, pushed up to the stop.',
  bobbin: 'Next the bobbin: out, look, back in. Right class, right way round, under its spring.',
  'same-thread': 'Next the thread: the same weight above and below, and not an old spool.',
  clean: 'Next lint: out of the discs, the plate and the race.',
}

function dialStep(
  { dial, start = dial.normal, swatch, role, bobbinScrew }: TensionQuestion,
  { reading, s }: SwatchReading,
  step: (action: NextAction, because: string, dial?: number) => TensionStep,
): TensionStep {
  const unit = dialUnit(dial)
  const tooTight = reading === 'top-little-tight' || reading === 'top-far-tight'
  const low = Math.max(dial.min, start - REACH * unit)
  const high = Math.min(dial.max, start + REACH * unit)
  const setting = nearestMark(dial, swatch.dial + (tooTight ? -unit : unit), low, high)
  if (tooTight ? setting < swatch.dial : setting > swatch.dial) {
    const seen = tooTight ? 'The bobbin shows on top' : 'The top thread shows underneath'
    return step(
      'dial',
      `${seen} (score ${plain(s)}) and everything before the dial is done: one whole number, ${plain(swatch.dial)} to ${plain(setting)}.`,
      setting,
    )
  }
  const limit = `${plain(swatch.dial)} is as far as this kit’s dial goes (${plain(low)} to ${plain(high)})`
  if (role === 'learner') return step('call-mentor', `${limit}: ask a mentor.`)
  const atEnd = swatch.dial <= dial.min || swatch.dial >= dial.max
  return bobbinScrew && atEnd
    ? step('bobbin-screw', `${limit}: the bobbin screw, by counted eighths, and log it.`)
    : step('service', `${limit}: the rest is for a technician.`)
}
