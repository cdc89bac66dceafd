import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyHistory } from '../testing/histories'
import { kindsOf, shownLines } from './book-lines'
import { BOOK_FILTERS } from './book-filter'
import { EVENT_KINDS, filterOf, type MachineEvent } from './event'
import { applyCorrections, inOrder } from './fold'

const note = (eventId: string, minute: number): MachineEvent => ({
  kind: 'noted',
  body: { text: `note ${eventId}` },
  eventId,
  happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
  personId: 'p',
})
const correction = (eventId: string, corrects: string, minute: number, text?: string): MachineEvent => ({
  ...note(eventId, minute),
  kind: 'correction',
  body: {
    corrects,
    because: 'a slip',
    ...(text !== undefined && { replacement: { kind: 'noted' as const, body: { text } } }),
  },
})

describe('a page of a book', () => {
  it('shows a line of whatever age as the whole book would show it', () =>
    fc.assert(
      fc.property(anyHistory, fc.nat(8), (events, count) => {
        const sorted = [...new Map(events.map((event) => [event.eventId, event])).values()].sort(inOrder)
        const page = sorted.slice(-count).reverse()
        const whole = shownLines([...sorted].reverse(), [])
        const rest = sorted.filter((event) => !page.includes(event))
        expect(shownLines(page, rest)).toEqual(whole.filter(({ event }) => page.includes(event)))
      }),
    ))

  it('strikes a line out exactly when it counts no more as it was written', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const standing = new Map(applyCorrections(events).map(({ event, happening }) => [event.eventId, happening]))
        for (const { event, counts, correctedBy } of shownLines(
          [...new Map(events.map((each) => [each.eventId, each])).values()],
          [],
        )) {
          if (event.kind === 'correction') expect([counts, correctedBy]).toEqual([true, undefined])
          else expect(counts).toBe(standing.get(event.eventId) === event)
        }
      }),
    ))

  it('names the correction of a line, the line of a correction, and what stands now', () => {
    const [first, second] = [note('a', 0), correction('b', 'a', 1, 'better')]
    expect(shownLines([second, first], [])).toMatchObject([
      {
        title: 'Correction',
        detail: 'stands as: Note. a slip',
        corrects: { eventId: 'a', title: 'Note' },
        counts: true,
      },
      { title: 'Note', counts: false, correctedBy: 'b' },
    ])
    expect(shownLines([first], [second, correction('c', 'b', 2)])[0]).toMatchObject({ counts: true })
  })

  it('has every kind of line under exactly one filter', () => {
    expect(BOOK_FILTERS.flatMap(kindsOf).sort()).toEqual([...EVENT_KINDS].sort())
    expect(kindsOf('swatches')).toEqual(['swatch-stitched'])
    expect(filterOf('used')).toBe('needles')
  })
})
