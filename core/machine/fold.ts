import { CHECK_GROUPS, STALE_AFTER, type CheckGroup, type SetupChange } from '../knowledge/check'
import { readSwatch } from '../tension/reading'
import { threadClass } from '../units/thread'
import type { BodyOf, Happening, MachineEvent } from './event'
import { careAfter } from './care-counts'
import { stayOf } from './needle-history'
import type { MachineState, NeedleStay, Readied } from './state'

/** A machine of which nothing has been written down: everything is still to be checked. */
export const UNSEEN: MachineState = {
  needlesBefore: [],
  stale: STALE_AFTER['first-look'],
  failed: [],
  locks: [],
  faults: [],
  care: {
    bobbinsSinceClean: 0,
    daysSinceClean: [],
    linty: false,
    bobbinsSinceOil: 0,
    daysSinceOil: [],
    daysSinceRoomCheck: [],
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
type Standing = {
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
  const { eventId, happenedAt } = line
  const state: MachineState = { ...before, care: careAfter(before.care, happenedAt, happened) }
  switch (happened.kind) {
    case 'needle-changed':
      return needleChanged(state, line, happened.body)
    case 'needle-broke': {
      const { piecesFound, cause } = happened.body
      const broken = stale(needleOut(state, happenedAt, { broke: true }), 'strike')
      if (piecesFound) return broken
      const because = cause
        ? `A needle broke (${cause}) and not every piece is found`
        : 'A needle broke and not every piece is found'
      return { ...broken, locks: [...broken.locks, { kind: 'broken-needle', because, since: happenedAt, eventId }] }
    }
    case 'pieces-found':
      return { ...state, locks: state.locks.filter(({ kind }) => kind !== 'broken-needle') }
    case 'set-up':
      return setUp(state, happened.body)
    case 'check-run':
      if (happened.body.list === 'room') return state
      return checkRun({ ...state, lastCheckAt: happenedAt }, happened.body.steps)
    case 'swatch-stitched': {
      const { s: _, ...reading } = readSwatch(happened.body, happened.body.target)
      const looked = {
        ...state,
        dial: happened.body.dial,
        lastSwatch: { eventId, happenedAt, dial: happened.body.dial, ...reading },
      }
      const swatchGroups: CheckGroup[] = ['swatch', 'line']
      return reading.onTarget
        ? { ...looked, stale: minus(looked.stale, swatchGroups), failed: minus(looked.failed, swatchGroups) }
        : { ...looked, stale: union(looked.stale, ['swatch']) }
    }
    case 'used': {
      const { fitting } = state
      if (!fitting) return state
      const projects = fitting.projects + (happened.body.finishedProject ? 1 : 0)
      return { ...state, fitting: { ...fitting, uses: [...fitting.uses, happened.body.use], projects } }
    }
    case 'red-tagged':
      return {
        ...state,
        locks: [...state.locks, { kind: 'red-tag', because: happened.body.because, since: happenedAt, eventId }],
      }
    case 'red-tag-lifted':
      return { ...state, locks: state.locks.filter(({ kind }) => kind !== 'red-tag') }
    case 'cleaned':
      return stale(state, 'bobbin')
    case 'baseline-set':
      return { ...state, baseline: happened.body.settings }
    case 'found-off':
      return foundAt(state, happened.body.settings)
    case 'restored':
      return state.baseline ? foundAt(state, state.baseline) : state
    case 'fault-opened': {
      const { fault, seen } = happened.body
      const opened = {
        ...state,
        faults: [...state.faults, { fault, since: happenedAt, eventId, ...(seen && { seen }) }],
      }
      if (fault !== 'electrical') return opened
      const because = `Electrical${seen ? ` (${seen})` : ''}: unplugged until a licensed repair is logged`
      return { ...opened, locks: [...opened.locks, { kind: 'electrical', because, since: happenedAt, eventId }] }
    }
    case 'fault-cured':
      return { ...state, faults: state.faults.filter(({ fault }) => fault !== happened.body.fault) }
    case 'serviced':
      return happened.body.electrical ? withoutLock(electricalCured(state), 'electrical') : state
    case 'electrical-test':
      return happened.body.passed
        ? state
        : {
            ...state,
            locks: [
              ...state.locks,
              { kind: 'electrical', because: 'It failed its electrical test', since: happenedAt, eventId },
            ],
          }
    case 'released':
      return withoutLock(state, 'broken-needle')
    case 'fault-run':
      // What failed is cured; the check is still to be run again, since it stays stale.
      return happened.body.outcome === 'cured' ? { ...state, failed: [] } : state
    case 'bobbin-screw-turned':
      return stale(state, 'bobbin-spring')
    case 'bobbin-wound': {
      const { count, thread } = happened.body
      return readied(state, { bobbins: [{ happenedAt, count, ...(thread && { thread }) }] })
    }
    case 'laid-out': {
      const { projectId } = happened.body
      return projectId ? readied(state, { laidOut: [{ happenedAt, projectId }] }) : state
    }
    case 'oiled':
    case 'trait-learnt':
    case 'noted':
      return state
  }
}

/** How many of the newest are remembered: more than any evening asks of one machine. */
const MOST_READIED = 24

const readied = (state: MachineState, { bobbins = [], laidOut = [] }: Partial<Readied>): MachineState => ({
  ...state,
  readied: {
    bobbins: [...(state.readied?.bobbins ?? []), ...bobbins].slice(-MOST_READIED),
    laidOut: [...(state.readied?.laidOut ?? []), ...laidOut].slice(-MOST_READIED),
  },
})

const withoutLock = (state: MachineState, kind: MachineState['locks'][number]['kind']): MachineState => ({
  ...state,
  locks: state.locks.filter((lock) => lock.kind !== kind),
})

const electricalCured = (state: MachineState): MachineState => ({
  ...state,
  faults: state.faults.filter(({ fault }) => fault !== 'electrical'),
})

/** Settings as somebody found them; the dial and the foot make checks stale as setting them does. */
function foundAt(state: MachineState, settings: BodyOf<'found-off'>['settings']): MachineState {
  const { dial, foot, ...others } = settings
  const moved = setUp(state, { ...(dial !== undefined && { dial }), ...(foot && { foot }) })
  return { ...moved, settings: { ...moved.settings, ...others } }
}

/** How many of the needles that left are remembered; older ones are in the book. */
const MOST_NEEDLES_BEFORE = 8

/** The machine without the needle that was in it, whose stay is remembered. */
function needleOut(state: MachineState, leftAt: string, how: Partial<NeedleStay>): MachineState {
  const { fitting, ...empty } = state
  if (!fitting) return state
  const stay = { ...stayOf(fitting), leftAt, ...how }
  return { ...empty, needlesBefore: [...(state.needlesBefore ?? []), stay].slice(-MOST_NEEDLES_BEFORE) }
}

function needleChanged(state: MachineState, line: MachineEvent, body: BodyOf<'needle-changed'>): MachineState {
  const before = state.fitting?.needle
  const empty = needleOut(state, line.happenedAt, body.out ? { out: body.out } : {})
  if (!body.in) return stale(empty, 'other-needle')
  const same =
    before && before.point === body.in.point && before.sizeNm === body.in.sizeNm && before.gapMm === body.in.gapMm
  const struck = body.out?.reason === 'struck' || body.out?.state === 'bent'
  const change: SetupChange = struck ? 'strike' : same ? 'like-for-like-needle' : 'other-needle'
  return stale(
    {
      ...empty,
      fitting: { needle: body.in, fittedAt: line.happenedAt, eventId: line.eventId, uses: [], projects: 0 },
    },
    change,
  )
}

function setUp(state: MachineState, body: BodyOf<'set-up'>): MachineState {
  const changes: SetupChange[] = []
  if (body.thread) {
    const sameClass = state.thread && threadClass(state.thread) === threadClass(body.thread)
    changes.push(sameClass ? 'colour' : 'thread-class')
  }
  if (body.bobbinThread) changes.push('bobbin')
  if (body.foot && body.foot !== state.foot) changes.push('foot')
  if (body.dial !== undefined && body.dial !== state.dial) changes.push('dial')
  if (body.fabricClass && body.fabricClass !== state.fabricClass) changes.push('fabric-class')
  return changes.reduce(stale, { ...state, ...(body as Partial<MachineState>) })
}

function checkRun(state: MachineState, steps: BodyOf<'check-run'>['steps']): MachineState {
  const failed = new Set(steps.filter(({ result }) => result === 'fail').map(({ group }) => group))
  const passed = [...new Set(steps.map(({ group }) => group))].filter((group) => !failed.has(group))
  return {
    ...state,
    stale: union(minus(state.stale, passed), [...failed]),
    failed: union(minus(state.failed, passed), [...failed]),
  }
}

const stale = (state: MachineState, change: SetupChange): MachineState => ({
  ...state,
  stale: union(state.stale, STALE_AFTER[change]),
})

/** Groups are kept in one order, so that equal states are equal text. */
const union = (a: readonly CheckGroup[], b: readonly CheckGroup[]): CheckGroup[] =>
  CHECK_GROUPS.filter((group) => a.includes(group) || b.includes(group))
const minus = (a: readonly CheckGroup[], b: readonly CheckGroup[]): CheckGroup[] =>
  a.filter((group) => !b.includes(group))
