import { CHECK_GROUPS, STALE_AFTER, type CheckGroup, type SetupChange } from '../knowledge/check/check'
import { ifFailed } from './failed-step'
import { readWritten } from '../tension/reading'
import { threadClass } from '../units/thread'
import type { BodyOf, Happening, MachineEvent } from './event'
import { careAfter } from './care-counts'
import { isBroken, reportsBreak } from './needle-break'
import { stayOf } from './needle-history'
import type { Lock, LockKind, MachineState, NeedleStay, Readied } from './state'

/** Raised with every change of what a book folds to; a state that another version made is folded again at the next start. */
export const FOLD_VERSION = 3

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
    case 'needle-broke':
      return broke(needleOut(state, happenedAt, { broke: true }), line, happened.body)
    case 'pieces-found':
      return withoutLock(state, 'broken-needle')
    case 'set-up':
      return setUp(state, happened.body)
    case 'check-run':
      return checkRun(state, line, happened.body)
    case 'swatch-stitched': {
      const { s: _, ...reading } = readWritten(happened.body)
      const looked = { ...state, dial: reading.dial, lastSwatch: { eventId, happenedAt, ...reading } }
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
      return locked(state, { kind: 'red-tag', because: happened.body.because, since: happenedAt, eventId })
    case 'somebody-hurt': {
      const { what } = happened.body
      const because = `Somebody was hurt here${what ? ` (${what})` : ''}: staff look at it before anybody sews`
      return locked(state, { kind: 'red-tag', because, since: happenedAt, eventId })
    }
    case 'red-tag-lifted':
      return withoutLock(state, 'red-tag')
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
      return locked(opened, { kind: 'electrical', because, since: happenedAt, eventId })
    }
    case 'fault-cured':
      return { ...state, faults: state.faults.filter(({ fault }) => fault !== happened.body.fault) }
    case 'serviced':
      return happened.body.electrical ? withoutLock(electricalCured(state), 'electrical') : state
    case 'electrical-test':
      return happened.body.passed
        ? state
        : locked(state, { kind: 'electrical', because: 'It failed its electrical test', since: happenedAt, eventId })
    case 'released':
      return withoutLock(state, 'broken-needle')
    case 'fault-run':
      return faultRun(state, line, happened.body)
    case 'bobbin-screw-turned':
      return stale(state, 'bobbin-spring')
    case 'bobbin-wound': {
      const { count, thread, sessionId } = happened.body
      return readied(state, {
        bobbins: [{ happenedAt, count, ...(thread && { thread }), ...(sessionId && { sessionId }) }],
      })
    }
    case 'laid-out': {
      const { projectId, sessionId } = happened.body
      return projectId
        ? readied(state, { laidOut: [{ happenedAt, projectId, ...(sessionId && { sessionId }) }] })
        : state
    }
    case 'oiled':
    case 'trait-learnt':
    case 'noted':
      return state
  }
}

/** How many of the newest are remembered: more than any session asks of one machine. */
const MOST_READIED = 24

const readied = (state: MachineState, { bobbins = [], laidOut = [] }: Partial<Readied>): MachineState => ({
  ...state,
  readied: {
    bobbins: [...(state.readied?.bobbins ?? []), ...bobbins].slice(-MOST_READIED),
    laidOut: [...(state.readied?.laidOut ?? []), ...laidOut].slice(-MOST_READIED),
  },
})

const locked = (state: MachineState, lock: Lock): MachineState => ({ ...state, locks: [...state.locks, lock] })

const withoutLock = (state: MachineState, kind: LockKind): MachineState => ({
  ...state,
  locks: state.locks.filter((lock) => lock.kind !== kind),
})

/** A needle is in pieces: everything is looked at again, and nobody sews until each piece lies on the table. */
function broke(
  state: MachineState,
  { eventId, happenedAt }: MachineEvent,
  { piecesFound, cause }: { readonly piecesFound?: boolean | undefined; readonly cause?: string | undefined },
): MachineState {
  const broken = { ...stale(state, 'strike'), brokeAt: happenedAt }
  if (piecesFound) return broken
  const because = `A needle broke${cause ? ` (${cause})` : ''} and not every piece is found`
  return locked(broken, { kind: 'broken-needle', because, since: happenedAt, eventId })
}

function faultRun(state: MachineState, line: MachineEvent, body: BodyOf<'fault-run'>): MachineState {
  // What failed is cured; the check is still to be run again, since it stays stale. What stops the machine stays.
  const looked = body.outcome === 'cured' ? { ...state, failed: [], failedSteps: [] } : state
  if (!reportsBreak(body, line, state.brokeAt)) return looked
  return broke(needleOut(looked, line.happenedAt, { broke: true }), line, {})
}

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
  // Taken out broken is broken, unless the break is in the book already and this clears it away.
  const breaks = before !== undefined && body.out !== undefined && isBroken(body.out)
  const left = needleOut(state, line.happenedAt, { ...(body.out && { out: body.out }), ...(breaks && { broke: true }) })
  const empty = breaks ? broke(left, line, { piecesFound: body.out?.piecesFound }) : left
  if (!body.in) return stale(empty, 'other-needle')
  const same =
    before &&
    before.system === body.in.system &&
    before.point === body.in.point &&
    before.sizeNm === body.in.sizeNm &&
    before.gapMm === body.in.gapMm
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

/**
 * A check makes what passed hold again. A step that fails and must not be sewn on stops the machine until it passes; the
 * room check says nothing of how a learner's machine is threaded, so it leaves those steps as they were.
 */
function checkRun(before: MachineState, line: MachineEvent, { list, steps }: BodyOf<'check-run'>): MachineState {
  const failing = steps.filter(({ result }) => result === 'fail')
  const asked = new Set(steps.map(({ step }) => step))
  const passing = new Set(steps.filter(({ result }) => result === 'pass').map(({ step }) => step))
  const state: MachineState = {
    ...before,
    failedSteps: [
      ...before.failedSteps.filter((each) => each.list !== list || !asked.has(each.step)),
      ...failing.map(({ step, group }) => ({ step, group, list })),
    ],
    locks: before.locks.filter(({ kind, steps: wanted = [] }) => {
      return kind !== 'failed-check' || !wanted.every((step) => passing.has(step))
    }),
  }
  const stopped = stoppedBy(state, line, list, failing)
  if (list === 'room') return stopped
  const failed = new Set(failing.map(({ group }) => group))
  const passed = [...new Set(steps.map(({ group }) => group))].filter((group) => !failed.has(group))
  return {
    ...stopped,
    lastCheckAt: line.happenedAt,
    stale: union(minus(state.stale, passed), [...failed]),
    failed: union(minus(state.failed, passed), [...failed]),
  }
}

function stoppedBy(
  state: MachineState,
  { eventId, happenedAt }: MachineEvent,
  list: 'seat' | 'room',
  failing: BodyOf<'check-run'>['steps'],
): MachineState {
  const stopping = failing.map((step) => ({ step: step.step, ...ifFailed(step) }))
  const electrical = stopping.filter(({ stops }) => stops === 'electrical')
  const dangerous = stopping.filter(({ stops }) => stops === 'do-not-sew')
  const since = { since: happenedAt, eventId }
  const name = list === 'room' ? 'Room check' : 'Seat check'
  const because = (said: typeof stopping) => `${name}: ${said.map(({ stopsBecause }) => stopsBecause).join('; ')}`
  return [
    ...(electrical.length > 0 ? [{ kind: 'electrical' as const, because: because(electrical), ...since }] : []),
    ...(dangerous.length > 0
      ? [{ kind: 'failed-check' as const, because: because(dangerous), ...since, steps: dangerous.map((s) => s.step) }]
      : []),
  ].reduce(locked, state)
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
