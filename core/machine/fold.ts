import { STALE_AFTER } from '../knowledge/check/check'
import { kindOf, type Happening, type MachineEvent } from './event'
import type { CareCounts, MachineState } from './state'

/** Raised with every change of what a book folds to; a state that another version made is folded again at the next start. */
export const FOLD_VERSION = 8

/** A machine of which nothing has been written down: everything is still to be checked. */
export const UNSEEN: MachineState = {
  needlesBefore: [],
  stale: STALE_AFTER['first-look'],
  failed: [],
  failedSteps: [],
  locks: [],
  faults: [],
  care: {
    bobbinsSinceClean: 0,
    daysSinceClean: 0,
    linty: false,
    bobbinsSinceOil: 0,
    daysSinceOil: 0,
    daysSinceRoomCheck: 0,
    motorMinutesSinceService: 0,
  },
}

/** The order of a book: time happened, then id. */
export const inOrder = (
  a: Pick<MachineEvent, 'happenedAt' | 'eventId'>,
  b: Pick<MachineEvent, 'happenedAt' | 'eventId'>,
): number => compareText(a.happenedAt, b.happenedAt) || compareText(a.eventId, b.eventId)

const compareText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** A line as it counts: itself, its replacement, or nothing. */
export type Standing = {
  readonly event: MachineEvent
  readonly happening: Happening | undefined
  /** the correction that decides */
  readonly correctedBy?: string
}

/**
 * What each line counts as once corrections are applied. A correction that is itself corrected no longer counts; of
 * several corrections of one line the last in order does. The answer depends on the set of lines, not on how they came.
 */
export function applyCorrections(events: readonly MachineEvent[]): Standing[] {
  const sorted = [...new Map(events.map((event) => [event.eventId, event])).values()].sort(inOrder)
  const naming = new Map<string, MachineEvent[]>()
  for (const event of sorted) {
    if (event.kind !== 'correction') continue
    naming.set(event.body.corrects, [...(naming.get(event.body.corrects) ?? []), event])
  }
  const decided = new Map<string, boolean>()
  /** Lines that name each other in a circle all stand: nothing a client can send may hang or empty a book. */
  const inForce = (event: MachineEvent, asked: ReadonlySet<string>): boolean => {
    if (asked.has(event.eventId)) return false
    const known = decided.get(event.eventId)
    if (known !== undefined) return known
    const deeper = new Set(asked).add(event.eventId)
    const stands = !(naming.get(event.eventId) ?? []).some((correction) => inForce(correction, deeper))
    if (asked.size === 0) decided.set(event.eventId, stands)
    return stands
  }
  return sorted.map((event) => {
    if (event.kind === 'correction') return { event, happening: undefined }
    const correction = (naming.get(event.eventId) ?? []).filter((each) => inForce(each, new Set())).at(-1)
    if (!correction) return { event, happening: event }
    const happening = correction.kind === 'correction' ? correction.body.replacement : undefined
    return { event, happening, correctedBy: correction.eventId }
  })
}

/** The one place where a machine's state comes from. */
export function foldMachine(events: readonly MachineEvent[]): MachineState {
  const standing = applyCorrections(events)
  const state = standing.reduce(
    (so_far, { event, happening }) => (happening ? after(so_far, event, happening) : so_far),
    UNSEEN,
  )
  return mark(state, standing.at(-1)?.event)
}

/**
 * The state after one more line, when that can be told from the state alone: the line is the last in order and corrects
 * nothing. Otherwise undefined: fold the whole book again. A correction is only ever taken for a line that is there
 * already, so no earlier one can name this line.
 */
export function foldNext(state: MachineState, event: MachineEvent): MachineState | undefined {
  if (event.kind === 'correction') return undefined
  if (state.through && inOrder(state.through, event) >= 0) return undefined
  return mark(after(state, event, event), event)
}

const mark = (state: MachineState, last: MachineEvent | undefined): MachineState =>
  last ? { ...state, through: { happenedAt: last.happenedAt, eventId: last.eventId } } : state

/** State × what happened → state. */
function after(before: MachineState, line: MachineEvent, happened: Happening): MachineState {
  const { fold = same, care = same } = kindOf(happened)
  const counts: CareCounts = before.care.firstAt ? before.care : { ...before.care, firstAt: line.happenedAt }
  return fold({ ...before, care: care(counts, happened.body, line) }, happened.body, line)
}

const same = <Thing>(thing: Thing): Thing => thing
