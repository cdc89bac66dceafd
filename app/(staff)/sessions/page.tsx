import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { PLACE_CAUTIONS } from '@/core/knowledge/care/place-caution'
import { may } from '@/core/wire/permission'
import { readCourses, readProjects } from '@/store/project/projects'
import { readAbsent, readPlans, readSessions, type Session } from '@/store/session/sessions'
import { dayIn } from '@/core/units/day'
import { formatInTimeZone, timeIn } from '@/ui/time'
import { mustSee } from '../../_server/actor'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { ReadyPlanner } from './ready-planner'
import { SessionCalendar } from './session-calendar'

export const metadata: Metadata = { title: 'Sessions' }

/** Past sessions that are listed; a list of years is no list. */
const MOST_PAST = 60

export default async function SessionsPage() {
  const actor = await mustSee('see-sessions')
  const store = booksOf(actor.siteId)
  const [sessions, plans, projects, courses, absent, site] = await Promise.all([
    readSessions(store, actor.siteId),
    readPlans(store, actor.siteId),
    readProjects(store, actor.siteId),
    readCourses(store, actor.siteId),
    readAbsent(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  const now = new Date()
  const coming = sessions.filter(({ endsAt }) => endsAt >= now)
  const past = sessions.filter(({ endsAt }) => endsAt < now).reverse()
  /** Who wants a seat: projects of the class whose learners come. The run sheet counts the same. */
  const wanting = (sessionId: string, courseId: string) =>
    projects.filter((project) => project.courseId === courseId && !absent.get(sessionId)?.has(project.personId))
  const mayPlan = may(actor.role, 'add-sessions')
  const standing = ({ sessionId, courseId, calledOff }: Session): string => {
    if (calledOff) return `called off: ${calledOff}`
    const plan = plans.get(sessionId)?.plan
    if (!plan) return 'not planned yet'
    const wanted = wanting(sessionId, courseId)
    const seated = wanted.filter(({ projectId }) => plan.seats.some((seat) => seat.projectId === projectId))
    return `${seated.length} of ${wanted.length} seated`
  }
  const next = coming.find(({ calledOff }) => !calledOff)
  return (
    <>
      {next && may(actor.role, 'set-plan') && <ReadyPlanner sessionId={next.sessionId} />}
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">Sessions</h1>
        {mayPlan && (
          <Link href="/sessions/new" className="btn btn-primary ml-auto min-h-11">
            New sessions …
          </Link>
        )}
      </div>
      {sessions.length === 0 ? (
        <p className="sheet p-6 text-lg">
          No session is in the calendar yet.{' '}
          {courses.length === 0
            ? 'Hang up a class and its projects first, under Kits; then its sessions come here.'
            : 'Put the first ones in, and each can be planned to the last needle.'}
        </p>
      ) : (
        <div className="grid grid-cols-1 gap-8 lg:grid-cols-[2fr_1fr]">
          <section aria-labelledby="coming">
            <h2 id="coming" className="text-xl font-bold">
              Coming
            </h2>
            {coming.length === 0 && <p className="mt-2">Nothing more is in the calendar.</p>}
            <ol>
              {coming.map((session, index) => (
                <li key={session.sessionId} className="seam flex flex-wrap items-center gap-x-6 gap-y-1 py-3">
                  <Link
                    href={`/sessions/${session.sessionId}`}
                    className={`font-bold ${index === 0 ? 'text-2xl' : 'text-lg'}`}
                  >
                    {formatInTimeZone(session.startsAt, site.timeZone)}
                  </Link>
                  <span>{session.course}</span>
                  <span>{session.blocks === 1 ? 'one block' : `${session.blocks} blocks`}</span>
                  <span className="ml-auto">{standing(session)}</span>
                </li>
              ))}
            </ol>
            <p className="mt-4 text-secondary">{PLACE_CAUTIONS.minors}</p>
            {courses.length > 0 && (
              <p className="mt-4">
                To its end:{' '}
                {courses.map(({ course_id, name }) => (
                  <Link key={course_id} className="link mr-4" href={`/sessions/course/${course_id}`}>
                    {name}, week by week
                  </Link>
                ))}
              </p>
            )}
            {past.length > 0 && (
              <details className="mt-6">
                <summary className="cursor-pointer font-bold">Past sessions ({past.length})</summary>
                <ol>
                  {past.slice(0, MOST_PAST).map((session) => (
                    <li key={session.sessionId} className="seam flex gap-6 py-2">
                      <Link href={`/sessions/${session.sessionId}`} className="link">
                        {formatInTimeZone(session.startsAt, site.timeZone)}
                      </Link>
                      <span>{session.course}</span>
                      <span className="ml-auto">{standing(session)}</span>
                    </li>
                  ))}
                </ol>
                {past.length > MOST_PAST && <p className="mt-2">Those before them are in the calendar.</p>}
              </details>
            )}
          </section>
          <SessionCalendar
            weekStartsOn={site.settings.weekStartsOn}
            today={dayIn(now, site.timeZone)}
            sessions={sessions.map(({ sessionId, startsAt, endsAt, course, calledOff }) => ({
              sessionId,
              day: dayIn(startsAt, site.timeZone),
              hours: `${timeIn(startsAt, site.timeZone)}–${timeIn(endsAt, site.timeZone)}`,
              words: `${course}${calledOff ? ', called off' : ''}`,
            }))}
          />
        </div>
      )}
    </>
  )
}
