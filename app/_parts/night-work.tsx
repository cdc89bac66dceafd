import { undoneWords, undoneWork, type NightRecord } from '@/core/room/night-work'
import { Link } from '@/ui/parts/link'
import { formatInTimeZone } from '@/ui/time'

/** What the server has not done at night for longer than a night: for those who answer for the venue. */
export function UndoneNights({
  records,
  now,
  timeZone,
}: {
  records: readonly NightRecord[]
  /** ISO */
  now: string
  timeZone: string
}) {
  const undone = undoneWork(records, now)
  if (undone.length === 0) return null
  return (
    <section aria-labelledby="undone-nights" className="sheet mb-4 border-l-4 border-l-warning p-4">
      <p id="undone-nights" className="text-lg font-bold">
        Not done at night
      </p>
      <ul>
        {undone.map((record) => (
          <li key={record.work}>{undoneWords(record, (at) => formatInTimeZone(at, timeZone))}</li>
        ))}
      </ul>
      <p>
        Whoever runs the server can mend this; tell them.
        {undone.some(({ work }) => work === 'copying') && (
          <>
            {' '}
            Until then{' '}
            <Link href="/venue#take-copy" className="link">
              take a copy yourself
            </Link>
            .
          </>
        )}
      </p>
    </section>
  )
}

/** Where copies are taken by hand: whether the server makes any by itself. */
export function NightlyCopies({ records, timeZone }: { records: readonly NightRecord[]; timeZone: string }) {
  const copying = records.find(({ work }) => work === 'copying')
  if (copying && !copying.doneAt) return <p className="mt-8">The server has not made a copy by itself yet.</p>
  return (
    <p className="mt-8">
      {copying?.doneAt
        ? `The server made its last copy by itself ${formatInTimeZone(copying.doneAt, timeZone)}.`
        : 'As far as this page knows, the server makes no copies by itself: take one yourself now and then, and ask whoever runs it for nightly ones.'}
    </p>
  )
}
