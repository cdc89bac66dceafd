import type { CheckGroup } from '../knowledge/check/check'
import { ROOM_CHECK } from '../knowledge/check/room-check'
import { SEAT_CHECK, type IfFailed } from '../knowledge/check/seat-check'

/** What a step that did not pass means, by the step's own name. */
const OF_STEP: ReadonlyMap<string, IfFailed> = new Map(
  [...SEAT_CHECK, ...ROOM_CHECK].flatMap(({ id, give }) => (give.ifFailed ? [[id, give.ifFailed] as const] : [])),
)

/** A needle that touches strikes, and a struck needle flies: whatever the step is called, nobody sews. */
const OF_GROUP: Readonly<Partial<Record<CheckGroup, IfFailed>>> = {
  'no-touch': { stops: 'do-not-sew', stopsBecause: 'the needle does not pass by hand without touching' },
}

/** What follows from a step that did not pass. A step that no row names is judged by its group. */
export const ifFailed = ({ step, group }: { readonly step: string; readonly group: CheckGroup }): IfFailed =>
  OF_STEP.get(step) ?? OF_GROUP[group] ?? {}
