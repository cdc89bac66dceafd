import { spaced } from '@/core/units/words'
import { Download, FileUp, Plus, Printer, Ruler } from 'lucide-react'
import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { bagStanding } from '@/core/kit/for-room'
import { kitMachine } from '@/core/kit/kit-machine'
import { unsound } from '@/core/machine/standing'
import { may } from '@/core/wire/permission'
import { readMachines } from '@/store/machine/machines'
import { readCourses, readProjects } from '@/store/project/projects'
import { fabricWords } from '@/ui/words'
import { mustSee } from '../../_server/actor'
import { booksOf } from '../../_server/store'
import { kitRoomOf } from '../../_server/kit-room'
import { Rack, type RackBag } from './rack'

export const metadata: Metadata = { title: 'Kits' }

export default async function KitsPage() {
  const actor = await mustSee('see-kits')
  const store = booksOf(actor.siteId)
  const [projects, machines, courses, room] = await Promise.all([
    readProjects(store, actor.siteId, { hanging: true }),
    readMachines(store, actor.siteId),
    readCourses(store, actor.siteId),
    kitRoomOf(actor.siteId),
  ])
  const now = new Date().toISOString()
  const candidates = machines.map(({ machineId, traits, state }) => {
    const known = kitMachine(traits)
    return { machineId, unsound: unsound(state, now), ...('machine' in known && { machine: known.machine }) }
  })
  const bags = projects.map((project): RackBag => {
    const standing = bagStanding(project, candidates, room, project.given)
    return {
      projectId: project.projectId,
      learner: project.learner,
      name: project.name,
      fabric: fabricWords(project.fabric),
      operation: spaced(project.operation),
      state: standing.state,
      seated: project.given !== undefined,
      able: standing.able,
      ...(standing.machineId && {
        machine: machines.find(({ machineId }) => machineId === standing.machineId)?.name ?? '',
        unsound: candidates.find(({ machineId }) => machineId === standing.machineId)?.unsound,
      }),
      ...(standing.kit && { needle: standing.kit.needle }),
      ...(standing.refusals[0] && { because: standing.refusals[0].because }),
    }
  })
  const mayAdd = may(actor.role, 'add-project')
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="text-3xl font-bold">Kits</h1>
        {courses.length <= 2 &&
          courses.map((course) => (
            <p key={course.course_id} className="flex flex-wrap items-center gap-x-3">
              <Link href="/kits/classes" className="link">
                {course.name}
              </Link>
              class code <strong className="font-mono">{course.class_code}</strong>
              <a className="inline-flex items-center gap-1 underline" href={`/api/kits/${course.course_id}?form=csv`}>
                <Download className="size-4" aria-hidden="true" /> CSV
              </a>
              <a className="inline-flex items-center gap-1 underline" href={`/api/kits/${course.course_id}?form=json`}>
                <Download className="size-4" aria-hidden="true" /> JSON
              </a>
            </p>
          ))}
        {(courses.length === 0 || courses.length > 2) && (
          <Link href="/kits/classes" className="link">
            {courses.length === 0 ? 'Classes' : `${courses.length} classes and their codes`}
          </Link>
        )}
        <nav aria-label="Kits" className="ml-auto flex flex-wrap gap-2">
          <Link href="/kits/desk" className="btn btn-outline min-h-11">
            <Ruler className="size-4" aria-hidden="true" /> Thread and needle desk
          </Link>
          {projects.length > 0 && (
            <Link href="/kits/labels" className="btn btn-outline min-h-11">
              <Printer className="size-4" aria-hidden="true" /> Labels
            </Link>
          )}
          {mayAdd && (
            <>
              <Link href="/kits/sheet" className="btn btn-outline min-h-11">
                <FileUp className="size-4" aria-hidden="true" /> From a sheet
              </Link>
              <Link href="/kits/new" className="btn btn-outline min-h-11">
                <Plus className="size-4" aria-hidden="true" /> Add a project
              </Link>
            </>
          )}
        </nav>
      </div>
      {bags.length === 0 ? (
        <section className="sheet p-8 text-lg">
          <h2 className="text-2xl font-bold">No bags hang here yet</h2>
          <p className="mt-2">
            Add a project: who makes it, what of, and how many layers. Its kit follows at once. A whole class comes in
            from a sheet.
          </p>
        </section>
      ) : (
        <Rack bags={bags} machines={machines.length} />
      )}
    </>
  )
}
