import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { readCourses } from '@/store/project/projects'
import { readPlans, readSessions } from '@/store/session/sessions'
import { formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../../../_server/actor'
import { siteOf } from '../../../../_server/site'
import { booksOf } from '../../../../_server/store'
import { CoursePlan } from './course-plan'

export const metadata: Metadata = { title: 'Week by week' }

export default async function CoursePage({ params }: { params: Promise<{ course: string }> }) {
  const actor = await mustSee('see-sessions')
  const { course: courseId } = await params
  const [courses, site] = await Promise.all([readCourses(booksOf(actor.siteId), actor.siteId), siteOf(actor.siteId)])
  const course = courses.find(({ course_id }) => course_id === courseId)
  if (!course) notFound()
  const [sessions, plans] = await Promise.all([
    readSessions(booksOf(actor.siteId), actor.siteId, { courseIds: [courseId], from: new Date() }),
    readPlans(booksOf(actor.siteId), actor.siteId, { courseIds: [courseId] }),
  ])
  return (
    <>
      <p>
        <Link className="link" href="/sessions">
          All sessions
        </Link>
      </p>
      <h1 className="text-3xl font-bold">{course.name}, week by week</h1>
      <p className="mt-1 max-w-3xl">
        Each session is planned with the needles, the wear and the shelves that the ones before it leave, and with
        everybody nearest to the machine of last time. Session by session each is at its least; the course as a whole
        may still have better ways.
      </p>
      {sessions.length === 0 ? (
        <p className="sheet mt-4 p-6 text-lg">No session of this class is still to come.</p>
      ) : (
        <CoursePlan
          courseId={courseId}
          mayPlan={may(actor.role, 'set-plan')}
          sessions={sessions
            .filter(({ calledOff }) => !calledOff)
            .map(({ sessionId, startsAt }) => ({
              sessionId,
              when: formatInTimeZone(startsAt, site.timeZone),
              planId: plans.get(sessionId)?.planId ?? null,
              leftOut: plans.get(sessionId)?.plan.leftOut ?? [],
              pinned: (plans.get(sessionId)?.plan.seats ?? [])
                .filter(({ pinned }) => pinned)
                .map(({ projectId }) => projectId),
              planned: plans.get(sessionId)?.plan.seats.length ?? 0,
            }))}
        />
      )}
    </>
  )
}
