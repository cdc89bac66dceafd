import type { CheckGroup } from '../knowledge/check/check'
import type { MachineState } from '../machine/state'

/** The way of everybody at a machine, in its order. */
export const SEAT_STEPS = ['bag', 'check', 'swatch', 'sewing', 'done'] as const
export type SeatStep = (typeof SEAT_STEPS)[number]

export const STEP_WORDS: Readonly<Record<SeatStep, string>> = {
  bag: 'waits for their bag',
  check: 'seat check',
  swatch: 'test swatch',
  sewing: 'sewing',
  done: 'done',
}

/** Where somebody is on their way, and since when; moments are UTC, ISO 8601. */
export interface AtStep {
  readonly step: SeatStep
  readonly since: string
}

/** What is looked at before a test swatch; the swatch itself and a test line come after it. */
const BEFORE_SWATCH = (group: CheckGroup): boolean => group !== 'swatch' && group !== 'line'

/** A turn that was over so long before its time was another one: people begin a little early, not an hour. */
const EARLY_MS = 45 * 60_000

const later = (...moments: readonly (string | undefined)[]): string =>
  moments.reduce<string>((last, moment) => (moment !== undefined && moment > last ? moment : last), '')

/**
 * Where somebody is, told from the books alone: nobody reports a step, they do it.
 * @param turn whose, at which machine, and from when (ISO, UTC)
 * @param kit the kit that they were given last, wherever it was for
 */
export function seatStep(
  turn: { readonly projectId: string; readonly machineId: string; readonly from: string },
  kit: { readonly machineId: string; readonly givenAt: string } | undefined,
  state: MachineState,
): AtStep {
  if (kit?.machineId !== turn.machineId) return { step: 'bag', since: turn.from }
  const began = later(turn.from, kit.givenAt)
  const notBefore = new Date(Date.parse(turn.from) - EARLY_MS).toISOString()
  const ended = state.turn
  if (ended && (ended.projectId ?? turn.projectId) === turn.projectId && ended.endedAt >= later(notBefore, kit.givenAt))
    return { step: 'done', since: ended.endedAt }
  if (state.stale.some(BEFORE_SWATCH) || state.failed.some(BEFORE_SWATCH)) return { step: 'check', since: began }
  if (state.stale.length > 0) return { step: 'swatch', since: later(began, state.lastCheckAt) }
  return { step: 'sewing', since: later(began, state.lastCheckAt, state.lastSwatch?.happenedAt) }
}
