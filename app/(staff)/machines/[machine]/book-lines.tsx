'use client'

import { named } from '@/core/units/words'
import { Link } from '@/ui/parts/link'
import { BOOK_FILTERS, type BookFilter } from '@/core/machine/book-filter'
import { BookLineCorrection } from './correct'
import { TakeWordsOut } from './take-words-out'

/** One line as it is read, every word made where the book is. */
export interface BookLineShown {
  readonly eventId: string
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
  /** somebody's own words stand in it, and this person may take them out */
  readonly mayTakeWordsOut: boolean
}

export function BookLines({
  machineId,
  base,
  only,
  lines,
}: {
  machineId: string
  /** the book's own address */
  base: string
  only: BookFilter | undefined
  lines: readonly BookLineShown[]
}) {
  return (
    <>
      <nav aria-label="Only lines about" className="mt-3 flex flex-wrap gap-1">
        {BOOK_FILTERS.map((filter) => (
          <Link
            key={filter}
            href={only === filter ? base : `${base}?about=${encodeURIComponent(filter)}`}
            aria-current={only === filter ? 'true' : undefined}
            className={`btn btn-sm ${only === filter ? 'btn-neutral' : 'btn-ghost'}`}
            scroll={false}
          >
            {named(filter)}
          </Link>
        ))}
      </nav>
      <Lines machineId={machineId} lines={lines} />
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
            {line.mayTakeWordsOut && <TakeWordsOut machineId={machineId} eventId={line.eventId} title={line.title} />}
            {line.mayCorrect && <BookLineCorrection machineId={machineId} eventId={line.eventId} title={line.title} />}
          </div>
        </li>
      ))}
    </ol>
  )
}
