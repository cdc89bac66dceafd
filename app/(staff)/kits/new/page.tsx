import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/wire/permission'
import { readCourses } from '@/store/project/projects'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { theStore } from '../../../_server/store'
import { NewProject } from './new-project'

export const metadata: Metadata = { title: 'Add a project' }

export default async function NewProjectPage() {
  const actor = await mustSee('see-kits')
  if (!may(actor.role, 'add-project')) notFound()
  const [courses, site] = await Promise.all([readCourses(theStore(), actor.siteId), siteOf(actor.siteId)])
  return (
    <NewProject
      courses={courses.map(({ course_id, name }) => ({ courseId: course_id, name }))}
      practice={site.practice}
    />
  )
}
