import { GATES, type Gate, type Target } from '../knowledge/tension/tension'
import type { MachineEvent } from './event'
import type { SwatchAt } from '../tension/next-step'
import { readWritten } from '../tension/reading'

/** Swatches further apart than this belong to another session. */
const SITTING_MS = 3 * 3_600_000
/** How many swatches of other days make the prior. */
const MOST_PAST = 20

type SwatchEvent = Extract<MachineEvent, { kind: 'swatch-stitched' }>

export interface Sitting {
  /** this trouble's swatches, oldest first; empty when the last one was good or is long ago */
  readonly swatches: readonly SwatchAt[]
  /** what has been done since it began */
  readonly done: readonly Gate[]
  /** swatches of other days with the same kind of stitch, oldest first */
  readonly past: readonly SwatchAt[]
  readonly last?: SwatchEvent
}

const lookOf = ({ body }: SwatchEvent): SwatchAt => ({
  dial: body.dial,
  top: body.top,
  under: body.under,
  ...(body.signs && { signs: body.signs }),
  ...(body.camera && { camera: body.camera }),
})

/**
 * What the swatches of a book say of the trouble in hand.
 * @param events lines that count, newest first
 * @param now ISO, UTC
 */
export function sittingOf(events: readonly MachineEvent[], target: Target, now: string): Sitting {
  const swatches = events.filter((event): event is SwatchEvent => event.kind === 'swatch-stitched')
  const own: SwatchEvent[] = []
  let next = Date.parse(now)
  for (const swatch of swatches) {
    const at = Date.parse(swatch.happenedAt)
    if (readWritten(swatch.body).onTarget || swatch.body.target !== target || next - at > SITTING_MS) break
    own.push(swatch)
    next = at
  }
  const done = GATES.filter((gate) => own.some(({ body }) => body.done.includes(gate)))
  const past = swatches
    .slice(own.length)
    .filter(({ body }) => body.target === target)
    .slice(0, MOST_PAST)
  return {
    swatches: own.map(lookOf).reverse(),
    done,
    past: past.map(lookOf).reverse(),
    ...(swatches[0] && { last: swatches[0] }),
  }
}
