import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { PROJECT_COLUMNS } from '@/core/exchange/project-rows'
import { may } from '@/core/wire/permission'
import { readCourses } from '@/store/project/projects'
import { mustSee } from '../../../_server/actor'
import { booksOf } from '../../../_server/store'
import { FirstClass } from '../new/first-class'
import { Sheet } from './sheet'

export const metadata: Metadata = { title: 'From a sheet' }

export default async function SheetPage() {
  const actor = await mustSee('see-kits')
  if (!may(actor.role, 'add-projects')) notFound()
  const courses = (await readCourses(booksOf(actor.siteId), actor.siteId)).map(({ course_id, name }) => ({
    courseId: course_id,
    name,
  }))
  if (courses.length === 0) return <FirstClass />
  return <Sheet courses={courses} columns={PROJECT_COLUMNS} mayImport={may(actor.role, 'import-kits')} />
}
