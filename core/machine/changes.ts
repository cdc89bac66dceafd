import { CHECK_GROUPS, STALE_AFTER, type CheckGroup, type SetupChange } from '../knowledge/check/check'
import type { KitThread } from '../knowledge/thread/thread'
import type { Foot } from '../knowledge/stitch/foot'
import { threadClass } from '../units/thread'
import { stayOf } from './needle-history'
import type { Moment } from './kinds/kind'
import type { Settings } from './kinds/settings'
import type { Lock, LockKind, MachineState, NeedleStay, Readied } from './state'

/** What lines do to a machine, each as a step from state to state; every kind of line is made of these. */

export const locked = (state: MachineState, lock: Lock): MachineState => ({ ...state, locks: [...state.locks, lock] })

export const withoutLock = (state: MachineState, kind: LockKind): MachineState => ({
  ...state,
  locks: state.locks.filter((lock) => lock.kind !== kind),
})

/** What a change makes stale is asked again, and nothing else. */
export const staleAfter = (state: MachineState, change: SetupChange): MachineState => ({
  ...state,
  stale: union(state.stale, STALE_AFTER[change]),
})

/** Groups are kept in one order, so that equal states are equal text. */
export const union = (a: readonly CheckGroup[], b: readonly CheckGroup[]): CheckGroup[] =>
  CHECK_GROUPS.filter((group) => a.includes(group) || b.includes(group))
export const minus = (a: readonly CheckGroup[], b: readonly CheckGroup[]): CheckGroup[] =>
  a.filter((group) => !b.includes(group))

/** A needle is in pieces: everything is looked at again, and nobody sews until each piece lies on the table. */
export function broken(
  state: MachineState,
  { eventId, happenedAt }: Moment,
  { piecesFound, cause }: { readonly piecesFound?: boolean | undefined; readonly cause?: string | undefined },
): MachineState {
  const after = { ...staleAfter(state, 'strike'), brokeAt: happenedAt }
  if (piecesFound) return after
  const because = `A needle broke${cause ? ` (${cause})` : ''} and not every piece is found`
  return locked(after, { kind: 'broken-needle', because, since: happenedAt, eventId })
}

/** How many of the needles that left are remembered; older ones are in the book. */
const MOST_NEEDLES_BEFORE = 8

/** The machine without the needle that was in it, whose stay is remembered. */
export function needleOut(state: MachineState, leftAt: string, how: Partial<NeedleStay>): MachineState {
  const { fitting, ...empty } = state
  if (!fitting) return state
  const stay = { ...stayOf(fitting), leftAt, ...how }
  return { ...empty, needlesBefore: [...(state.needlesBefore ?? []), stay].slice(-MOST_NEEDLES_BEFORE) }
}

/** What is threaded, fitted and dialled; only what is known is said. */
export function setTo(
  state: MachineState,
  set: {
    readonly thread?: KitThread
    readonly bobbinThread?: KitThread
    readonly foot?: Foot
    readonly dial?: number
    readonly fabricClass?: string
    readonly projectId?: string
  },
): MachineState {
  const changes: SetupChange[] = []
  if (set.thread) {
    const sameClass = state.thread && threadClass(state.thread) === threadClass(set.thread)
    changes.push(sameClass ? 'colour' : 'thread-class')
  }
  if (set.bobbinThread) changes.push('bobbin')
  if (set.foot && set.foot !== state.foot) changes.push('foot')
  if (set.dial !== undefined && set.dial !== state.dial) changes.push('dial')
  if (set.fabricClass && set.fabricClass !== state.fabricClass) changes.push('fabric-class')
  return changes.reduce(staleAfter, { ...state, ...set })
}

/** Settings as somebody found them; the dial and the foot make checks stale as setting them does. */
export function foundAt(state: MachineState, { dial, foot, ...others }: Settings): MachineState {
  const moved = setTo(state, { ...(dial !== undefined && { dial }), ...(foot && { foot }) })
  return { ...moved, settings: { ...moved.settings, ...others } }
}

/** How many of the newest are remembered: more than any session asks of one machine. */
const MOST_READIED = 24

export const readied = (state: MachineState, { bobbins = [], laidOut = [] }: Partial<Readied>): MachineState => ({
  ...state,
  readied: {
    bobbins: [...(state.readied?.bobbins ?? []), ...bobbins].slice(-MOST_READIED),
    laidOut: [...(state.readied?.laidOut ?? []), ...laidOut].slice(-MOST_READIED),
  },
})
