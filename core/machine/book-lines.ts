import type { EventKind, MachineEvent } from './event'
import { eventWords } from './event-words'
import { applyCorrections } from './fold'

export const BOOK_FILTERS = ['needles', 'checks', 'swatches', 'care', 'setting up', 'trouble', 'notes'] as const
export type BookFilter = (typeof BOOK_FILTERS)[number]

/** Which filter of the book each kind of line falls under. */
export const FILTER_OF: Readonly<Record<EventKind, BookFilter>> = {
  'needle-changed': 'needles',
  'needle-broke': 'trouble',
  'pieces-found': 'trouble',
  'set-up': 'setting up',
  'check-run': 'checks',
  'swatch-stitched': 'swatches',
  used: 'needles',
  'bobbin-wound': 'care',
  'laid-out': 'setting up',
  cleaned: 'care',
  oiled: 'care',
  'baseline-set': 'setting up',
  'found-off': 'setting up',
  restored: 'setting up',
  'trait-learnt': 'notes',
  'fault-opened': 'trouble',
  'fault-cured': 'trouble',
  'fault-run': 'trouble',
  'bobbin-screw-turned': 'setting up',
  serviced: 'care',
  'electrical-test': 'care',
  released: 'trouble',
  'red-tagged': 'trouble',
  'red-tag-lifted': 'trouble',
  'somebody-hurt': 'trouble',
  noted: 'notes',
  correction: 'notes',
}

/** The kinds of line that a filter lets through. */
export const kindsOf = (filter: BookFilter): EventKind[] =>
  (Object.keys(FILTER_OF) as EventKind[]).filter((kind) => FILTER_OF[kind] === filter)

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
