import { undoneWork, type NightRecord, type NightTrouble, type NightWork } from '@/core/room/night-work'
import { Link } from '@/ui/parts/link'
import { formatInTimeZone } from '@/ui/time'

const UNDONE: Readonly<Record<NightWork, string>> = {
  tidying: 'Old sign-ins and practice rooms have not been cleared away',
  erasing: 'Learners whose time is over have not been erased',
  copying: 'The server has made no copy of its books',
}

const BECAUSE: Readonly<Record<NightTrouble, string>> = {
  full: 'Its disk is full.',
  barred: 'It may not write into the folder for it.',
  missing: 'The folder for it is not there.',
  away: 'The database was away when it last tried.',
  other: 'Its own journal says why.',
}

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
        {undone.map(({ work, doneAt, trouble }) => (
          <li key={work}>
            {UNDONE[work]} {doneAt ? `since ${formatInTimeZone(doneAt, timeZone)}` : 'so far'}.{' '}
            {trouble ? BECAUSE[trouble] : 'It has not tried since.'}
          </li>
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
