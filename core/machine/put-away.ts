import type { MachineEvent } from './event'
import type { MachineState } from './state'

/** What is said of its book, or brings it back, happens wherever it is. */
const ABOUT_ITS_BOOK: readonly MachineEvent['kind'][] = ['taken-out', 'correction', 'redacted']

/**
 * The one law of machines that are put away: nothing happens at them. What happened while one still stood here may be written
 * late, a mistake in its book may be corrected and words taken out of it, and it may be taken out again.
 * @returns why a line may not be written; undefined when it may
 */
export function cannotHappen(
  before: Pick<MachineState, 'putAway'>,
  line: Pick<MachineEvent, 'kind' | 'happenedAt'>,
): string | undefined {
  if (!before.putAway || ABOUT_ITS_BOOK.includes(line.kind)) return undefined
  if (line.kind === 'put-away') return 'It is put away already'
  if (line.happenedAt < before.putAway.since) return undefined
  return 'It was put away before then: take it out first, or give the moment before that at which it happened'
}
