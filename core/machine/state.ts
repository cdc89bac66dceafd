import type { CheckGroup } from '../knowledge/check/check'
import type { MeterCounts } from '../wear/meter'
import type { Use } from '../wear/wear'
import type { Reading } from '../tension/reading'
import type { KitThread } from '../knowledge/thread/thread'
import type { Foot } from '../knowledge/stitch/foot'
import type { Fault } from './kinds/fault-opened'
import type { NeedleIn, NeedleOut } from './kinds/needle-changed'
import type { Settings } from './kinds/settings'

/** One needle's stay in one machine. */
export interface Fitting {
  readonly needle: NeedleIn
  readonly fittedAt: string
  readonly eventId: string
  /** all stretches of sewing it has done here; what it brought from before is in `needle.effectiveHours` */
  readonly uses: readonly Use[]
  readonly projects: number
}

/** One needle's stay as a chart shows it, from its fitting to its leaving. */
export interface NeedleStay {
  /** the line that put it in */
  readonly eventId: string
  readonly needle: Fitting['needle']
  readonly fittedAt: string
  /** absent: it is in there still */
  readonly leftAt?: string
  readonly out?: NeedleOut
  readonly broke: boolean
  /** effective hours, those it brought with it counted in */
  readonly effectiveHours: number
  readonly projects: number
}

export const LOCK_KINDS = ['red-tag', 'broken-needle', 'electrical', 'failed-check'] as const
export type LockKind = (typeof LOCK_KINDS)[number]

/** Why nobody sews on a machine, until a line that may lift it takes it away. */
export interface Lock {
  readonly kind: LockKind
  readonly because: string
  readonly since: string
  /** the line that locked it */
  readonly eventId: string
  /** of a failed check: in which list */
  readonly list?: 'seat' | 'room'
  /** of a failed check: the steps that have to pass before anybody sews */
  readonly steps?: readonly string[]
}

/** A step of a check that did not pass when somebody last looked. */
export interface FailedStep {
  readonly step: string
  readonly group: CheckGroup
  readonly list: 'seat' | 'room'
}

export interface LastSwatch {
  readonly eventId: string
  readonly happenedAt: string
  readonly dial: number
  readonly reading: Reading
  readonly onTarget: boolean
}

/** Counts from which care is judged; days are those on which it was used. */
export interface CareCounts extends MeterCounts {
  readonly firstAt?: string
  readonly bobbinsSinceClean: number
  readonly daysSinceClean: number
  readonly linty: boolean
  readonly bobbinsSinceOil: number
  readonly daysSinceOil: number
  readonly armOiledAt?: string
  readonly daysSinceRoomCheck: number
  /** when somebody last went through the room check; absent: nobody ever has */
  readonly roomCheckAt?: string
  /** the first sewing after that */
  readonly usedSinceRoomCheckAt?: string
  readonly motorMinutesSinceService: number
  readonly servicedAt?: string
  readonly electricalTest?: { readonly at: string; readonly passed: boolean; readonly nextDue?: string }
}

export interface OpenFault {
  readonly fault: Fault
  /** in somebody’s own words */
  readonly seen?: string
  /** nobody of the room may put it right, or whoever looked could not: what a technician is asked for, in words of ours */
  readonly technician?: string
  readonly since: string
  readonly eventId: string
}

export interface Readied {
  readonly bobbins: readonly {
    readonly happenedAt: string
    readonly count: number
    readonly thread?: KitThread
    /** the session that it is for; absent: whichever comes next */
    readonly sessionId?: string
  }[]
  readonly laidOut: readonly { readonly happenedAt: string; readonly projectId: string; readonly sessionId?: string }[]
}

/** What a machine is today: only ever folded from its events. Plain JSON, so that it can be kept and compared. */
export interface MachineState {
  readonly fitting?: Fitting
  /** the last needles that left it, oldest first; a room read at once comes without */
  readonly needlesBefore?: readonly NeedleStay[]
  readonly thread?: KitThread
  readonly bobbinThread?: KitThread
  readonly foot?: Foot
  readonly dial?: number
  readonly fabricClass?: string
  readonly projectId?: string
  /** the last turn that somebody said is over */
  readonly turn?: {
    readonly projectId?: string
    readonly endedAt: string
    readonly finished: boolean
    /** the line that said so */
    readonly eventId: string
  }
  /** check steps that have to be asked again before anybody sews */
  readonly stale: readonly CheckGroup[]
  /** check steps that failed when last looked at */
  readonly failed: readonly CheckGroup[]
  /** the very steps, of both lists, so that the gravest can lead */
  readonly failedSteps: readonly FailedStep[]
  /** when a needle last broke here */
  readonly brokeAt?: string
  readonly lastCheckAt?: string
  readonly lastSwatch?: LastSwatch
  readonly locks: readonly Lock[]
  readonly care: CareCounts
  readonly faults: readonly OpenFault[]
  /** where its settings should stand at the start of a day */
  readonly baseline?: Settings
  /** where they stood when somebody last looked, but for the dial and the foot, which are above */
  readonly settings?: Settings
  /** the newest bobbins wound for it and things laid out at it; what a session still asks for is what is not among them */
  readonly readied?: Readied
  /** it stands in the room no more */
  readonly putAway?: { readonly since: string; readonly eventId: string; readonly because?: string }
  /** the last line folded in, by time happened and id */
  readonly through?: { readonly happenedAt: string; readonly eventId: string }
}
