import type { CheckGroup } from '../knowledge/check'
import type { Use } from '../wear/wear'
import type { Reading } from '../tension/reading'
import type { BodyOf } from './event'

/** One needle's stay in one machine. */
export interface Fitting {
  readonly needle: Required<BodyOf<'needle-changed'>>['in']
  readonly fittedAt: string
  readonly eventId: string
  /** all stretches of sewing it has done here; what it brought from before is in `needle.effectiveHours` */
  readonly uses: readonly Use[]
  readonly projects: number
}

export interface Lock {
  readonly kind: 'red-tag' | 'broken-needle'
  readonly because: string
  readonly since: string
  readonly eventId: string
}

export interface LastSwatch {
  readonly eventId: string
  readonly happenedAt: string
  readonly dial: number
  readonly reading: Reading
  readonly onTarget: boolean
}

/** What a machine is today: only ever folded from its events. Plain JSON, so that it can be kept and compared. */
export interface MachineState {
  readonly fitting?: Fitting
  readonly thread?: BodyOf<'set-up'>['thread']
  readonly bobbinThread?: BodyOf<'set-up'>['bobbinThread']
  readonly foot?: BodyOf<'set-up'>['foot']
  readonly dial?: number
  readonly fabricClass?: string
  readonly projectId?: string
  /** check steps that have to be asked again before anybody sews */
  readonly stale: readonly CheckGroup[]
  /** check steps that failed when last looked at */
  readonly failed: readonly CheckGroup[]
  readonly lastCheckAt?: string
  readonly lastSwatch?: LastSwatch
  readonly locks: readonly Lock[]
  /** the last line folded in, by time happened and id */
  readonly through?: { readonly happenedAt: string; readonly eventId: string }
}
