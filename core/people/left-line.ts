import type { EventKind } from '../machine/event'
import type { EventWords } from '../machine/kinds/kind'

/** A learner's line that came late and was not taken: staff take it as it is, or drop it. Moments are UTC, ISO 8601. */
export interface LeftLine {
  /** of the line that it is, or becomes */
  readonly lineId: string
  readonly machineId: string
  readonly machine: string
  readonly number: number
  readonly who: string
  readonly happenedAt: string
  readonly kind: EventKind
  /** what it says; gone once it is decided */
  readonly words?: EventWords
  /** why it was not taken when it came */
  readonly because: string
  readonly decided?: { readonly taken: boolean; readonly by: string }
}
