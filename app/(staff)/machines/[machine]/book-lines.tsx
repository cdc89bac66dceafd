'use client'

import { useState } from 'react'
import { BookLineCorrection } from './correct'

export const BOOK_FILTERS = ['needles', 'checks', 'swatches', 'care', 'setting up', 'trouble', 'notes'] as const
export type BookFilter = (typeof BOOK_FILTERS)[number]

/** One line as it is read, every word made where the book is. */
export interface BookLineShown {
  readonly eventId: string
  /** which of the book's filters it falls under */
  readonly about: BookFilter
  readonly title: string
  readonly detail: string
  readonly when: string
  readonly who: string
  /** false: it was corrected, and stands no more as it was written */
  readonly counts: boolean
  readonly correctedBy?: string
  /** the line that this one corrects */
  readonly corrects?: { readonly eventId: string; readonly title: string }
  readonly mayCorrect: boolean
}

export function BookLines({ machineId, lines }: { machineId: string; lines: readonly BookLineShown[] }) {
  const [only, setOnly] = useState<BookFilter>()
  const shown = only ? lines.filter(({ about }) => about === only) : lines
  return (
    <>
      <fieldset className="mt-3 flex flex-wrap gap-1">
        <legend className="sr-only">Only lines about</legend>
        {BOOK_FILTERS.filter((filter) => lines.some(({ about }) => about === filter)).map((filter) => (
          <button
            key={filter}
            type="button"
            aria-pressed={only === filter}
            className={`btn btn-sm ${only === filter ? 'btn-neutral' : 'btn-ghost'}`}
            onClick={() => setOnly(only === filter ? undefined : filter)}
          >
            {filter}
          </button>
        ))}
      </fieldset>
      <Lines machineId={machineId} lines={shown} />
    </>
  )
}

function Lines({ machineId, lines }: { machineId: string; lines: readonly BookLineShown[] }) {
  return (
    <ol className="mt-3" aria-label="Lines of the book, newest first">
      {lines.map((line) => (
        <li key={line.eventId} id={line.eventId} className="seam grid grid-cols-[1fr_auto] gap-x-3 py-2">
          <div className={line.counts ? '' : 'line-through opacity-75'}>
            <strong>{line.title}</strong>
            <div>
              {line.corrects && (
                <>
                  <a className="link" href={`#${line.corrects.eventId}`}>
                    {line.corrects.title}
                  </a>{' '}
                </>
              )}
              {line.detail}
            </div>
          </div>
          <div className="text-right text-sm">
            {line.when}
            <br />
            {line.who}
            {line.correctedBy && (
              <>
                <br />
                <a className="link" href={`#${line.correctedBy}`}>
                  corrected
                </a>
              </>
            )}
            {line.mayCorrect && <BookLineCorrection machineId={machineId} eventId={line.eventId} title={line.title} />}
          </div>
        </li>
      ))}
    </ol>
  )
}
