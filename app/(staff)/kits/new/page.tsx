import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { kitMachine } from '@/core/kit/kit-machine'
import { unsound } from '@/core/machine/standing'
import { may } from '@/core/wire/permission'
import { readMachines } from '@/store/machine/machines'
import { readClassLearners } from '@/store/project/learners'
import { readCourses } from '@/store/project/projects'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { NewProject } from './new-project'
import { kitRoomOf } from '../../../_server/kit-room'
import type { NewProjectMachine } from './would-get'

export const metadata: Metadata = { title: 'Add a project' }

export default async function NewProjectPage() {
  const actor = await mustSee('see-kits')
  if (!may(actor.role, 'add-project')) notFound()
  const store = booksOf(actor.siteId)
  const [courses, site, learners, machines, room] = await Promise.all([
    readCourses(store, actor.siteId),
    siteOf(actor.siteId),
    readClassLearners(store, actor.siteId, 'at-work'),
    readMachines(store, actor.siteId),
    kitRoomOf(actor.siteId),
  ])
  const now = new Date().toISOString()
  return (
    <NewProject
      courses={courses.map(({ course_id, name }) => ({ courseId: course_id, name }))}
      practice={site.practice}
      learners={learners.map(({ personId, name, courseId, course }) => ({ personId, name, courseId, course }))}
      machines={machines.map(({ machineId, name, traits, state }): NewProjectMachine => {
        const known = kitMachine(traits)
        return {
          machineId,
          name,
          traits,
          unsound: unsound(state, now),
          ...('machine' in known && { machine: known.machine }),
        }
      })}
      room={room}
    />
  )
}
