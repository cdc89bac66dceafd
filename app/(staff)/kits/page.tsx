import type { Metadata } from 'next'
import Link from 'next/link'
import { may } from '@/core/people/role'
import { readMachines } from '@/store/machine/machines'
import { readCourses, readProjects } from '@/store/project/projects'
import { needleWords } from '@/ui/words'
import { mustSee } from '../../_server/actor'
import { theStore } from '../../_server/store'

export const metadata: Metadata = { title: 'Kits' }

export default async function KitsPage() {
  const actor = await mustSee('see-kits')
  const store = theStore()
  const [projects, machines, courses] = await Promise.all([
    readProjects(store, actor.siteId),
    readMachines(store, actor.siteId),
    readCourses(store, actor.siteId),
  ])
  const nameOf = (machineId: string) => machines.find((machine) => machine.machineId === machineId)?.name ?? ''
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2">
        <h1 className="text-3xl font-bold">Kits</h1>
        {courses.map((course) => (
          <p key={course.course_id}>
            {course.name}, class code <strong className="font-mono">{course.class_code}</strong>
          </p>
        ))}
        {may(actor.role, 'add-project') && (
          <Link href="/kits/new" className="btn btn-outline ml-auto min-h-11">
            Add a project
          </Link>
        )}
      </div>
      {projects.length === 0 ? (
        <section className="sheet p-8 text-lg">
          <h2 className="text-2xl font-bold">No bags hang here yet</h2>
          <p className="mt-2">Add a project: who makes it, what of, and how many layers. Its kit follows at once.</p>
        </section>
      ) : (
        <ul className="grid gap-5 pt-4 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
          {projects.map(({ projectId, learner, name, given, fabric }) => (
            <li key={projectId}>
              <Link href={`/kits/${projectId}`} className="bag block h-full px-4 pb-4 pt-6">
                <span className="block text-xl font-bold">{learner}</span>
                <span className="block">{name}</span>
                <span className="mt-1 block text-sm opacity-80">
                  {fabric.structure}
                  {fabric.massGsm !== undefined && `, ${Math.round(fabric.massGsm)} g/m²`}
                  {fabric.massGsm === undefined && fabric.thicknessMm !== undefined && `, ${fabric.thicknessMm} mm`}
                </span>
                {given ? (
                  <span className="mt-3 block border-t border-dashed border-current pt-2">
                    <strong>{needleWords(given.kit.needle as never)}</strong>
                    <span className="block text-sm">
                      at {nameOf(given.machineId)}
                      {given.kit.verdict === 'marginal' && ' · marginal'}
                    </span>
                  </span>
                ) : (
                  <span className="mt-3 block border-t border-dashed border-current pt-2 italic">no kit yet</span>
                )}
              </Link>
            </li>
          ))}
        </ul>
      )}
    </>
  )
}
