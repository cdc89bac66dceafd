import { Link } from '@/ui/parts/link'
import type { Session } from '@/store/session/sessions'
import type { Site } from '@/store/site/site'
import { VenueMark } from '@/ui/parts/venue-mark'
import { formatInTimeZone } from '@/ui/time'
import { printedVenue } from '../../../_server/site'

const PARTS = [
  { path: '', name: 'Run sheet' },
  { path: '/bench', name: 'Bench list' },
  { path: '/changeover', name: 'Changeover' },
  { path: '/people', name: 'Who comes' },
  { path: '/close', name: 'Close' },
] as const

/** Which session it is, and its sheets. */
export function SessionNav({
  session,
  site,
  here,
}: {
  session: Session
  site: Site
  here: (typeof PARTS)[number]['path']
}) {
  const home = `/sessions/${session.sessionId}`
  return (
    <div className="mb-3 flex flex-wrap items-end gap-x-6 gap-y-2">
      <div>
        <p className="print:hidden">
          <Link className="link" href="/sessions">
            All sessions
          </Link>
        </p>
        <h1 className="text-3xl font-bold">
          {session.course}, {formatInTimeZone(session.startsAt, site.timeZone)}
        </h1>
      </div>
      <VenueMark {...printedVenue(site)} className="hidden print:flex" />
      <nav aria-label="Sheets of this session" className="flex flex-wrap gap-1 print:hidden">
        {PARTS.filter(({ path }) => path !== '/changeover' || session.blocks > 1).map(({ path, name }) => (
          <Link
            key={path}
            href={home + path}
            aria-current={here === path ? 'page' : undefined}
            className={`btn ${here === path ? 'btn-neutral' : 'btn-ghost'}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      {session.calledOff && <p className="font-bold text-error">Called off: {session.calledOff}</p>}
    </div>
  )
}
