import { notFound, redirect } from 'next/navigation'
import { codeOf, readCode } from '@/core/code/code'
import { may } from '@/core/wire/permission'
import { readProjects } from '@/store/project/projects'
import { currentActor } from '../../../_server/actor'
import { booksOf } from '../../../_server/store'

/** Where the tag of a swatch leads: to where that swatch is read, whichever face its code lies beside. */
export default async function OpenSwatchPage({ params }: { params: Promise<{ code: string; face: string }> }) {
  const { code, face } = await params
  const read = readCode(code)
  const actor = await currentActor()
  if (!actor) redirect('/sign-in')
  if (!may(actor.role, 'see-room')) redirect('/station/swatch')
  if (read?.kind !== 'project' || (face !== 'top' && face !== 'under')) notFound()
  const projects = await readProjects(booksOf(actor.siteId), actor.siteId)
  const project = projects.find(({ projectId }) => codeOf('project', projectId) === read.code)
  if (!project) notFound()
  redirect(project.given ? `/machines/${project.given.machineId}/swatch` : `/kits/${project.projectId}`)
}
