import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { readCourses } from '@/store/project/projects'
import { dayIn } from '@/core/units/day'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { NewSessions } from './new-sessions'

export const metadata: Metadata = { title: 'New sessions' }

export default async function NewSessionsPage() {
  const actor = await mustSee('see-sessions')
  if (!may(actor.role, 'add-sessions')) notFound()
  const [courses, site] = await Promise.all([readCourses(booksOf(actor.siteId), actor.siteId), siteOf(actor.siteId)])
  return (
    <div className="mx-auto max-w-2xl">
      <h1 className="mb-4 text-3xl font-bold">New sessions</h1>
      {courses.length === 0 ? (
        <p className="sheet p-6 text-lg">
          A class comes first:{' '}
          <Link className="link" href="/kits/new">
            open one with its first project
          </Link>
          .
        </p>
      ) : (
        <NewSessions
          courses={courses.map(({ course_id, name, settings: { usual } }) => ({
            courseId: course_id,
            name,
            ...(usual && { usual }),
          }))}
          today={dayIn(new Date(), site.timeZone)}
          timeZone={site.timeZone}
          openDays={site.settings.openDays}
        />
      )}
    </div>
  )
}
