import { EVENT_KINDS, eventWords, filterOf, type EventKind, type MachineEvent } from './event'
import { applyCorrections } from './fold'
import type { BookFilter } from './book-filter'

/** The kinds of line that a filter lets through. */
export const kindsOf = (filter: BookFilter): EventKind[] => EVENT_KINDS.filter((kind) => filterOf(kind) === filter)

/** One line as a book shows it. */
export interface ShownLine<Line extends MachineEvent> {
  readonly event: Line
  readonly title: string
  readonly detail: string
  /** false: it was corrected, and stands no more as it was written */
  readonly counts: boolean
  readonly correctedBy?: string
  /** the line that this one corrects */
  readonly corrects?: { readonly eventId: string; readonly title: string }
}

/**
 * Some lines of a book in words, in the order given.
 * @param around the corrections that name them, and the lines that they name
 */
export function shownLines<Line extends MachineEvent>(
  lines: readonly Line[],
  around: readonly MachineEvent[],
): ShownLine<Line>[] {
  const all = [...lines, ...around]
  const byId = new Map<string, MachineEvent>(all.map((line) => [line.eventId, line]))
  const correctedBy = new Map(applyCorrections(all).map((each) => [each.event.eventId, each.correctedBy]))
  return lines.map((event) => {
    const by = event.kind === 'correction' ? undefined : correctedBy.get(event.eventId)
    return { event, counts: by === undefined, ...(by && { correctedBy: by }), ...wordsOf(event, byId) }
  })
}

/** What a line says; a correction names the line that it corrects and what stands in its place. */
function wordsOf(
  event: MachineEvent,
  byId: ReadonlyMap<string, MachineEvent>,
): Pick<ShownLine<MachineEvent>, 'title' | 'detail' | 'corrects'> {
  if (event.kind !== 'correction') return eventWords(event)
  const { corrects, replacement, because } = event.body
  const named = byId.get(corrects)
  return {
    title: 'Correction',
    detail: `${replacement ? `stands as: ${eventWords(replacement).title}.` : 'is taken back.'} ${because}`,
    corrects: {
      eventId: corrects,
      title: named && named.kind !== 'correction' ? eventWords(named).title : 'a correction',
    },
  }
}
