import type { Metadata } from 'next'
import { beforeClass } from '@/core/care/before-class'
import { standingOf } from '@/core/machine/standing'
import { inWalkingOrder } from '@/core/room/walk'
import { readMachines } from '@/store/machine/machines'
import { lastGiven, readProjects } from '@/store/project/projects'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { theStore } from '../../../_server/store'
import { BeforeClass } from './before-class'

export const metadata: Metadata = { title: 'Before class' }

export default async function BeforePage() {
  const actor = await mustSee('see-room')
  const store = theStore()
  const [machines, projects, site] = await Promise.all([
    readMachines(store, actor.siteId),
    readProjects(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  const now = new Date().toISOString()
  const walk = machines
    .map((machine) => {
      const project = lastGiven(projects.filter(({ given }) => given?.machineId === machine.machineId))
      return {
        machineId: machine.machineId,
        name: machine.name,
        number: machine.number,
        place: machine.place,
        bookAt: machine.state.through?.eventId ?? '',
        list: 'before',
        ...standingOf(machine.state, site.houseRules.needle, now),
        tasks: beforeClass(machine, project?.given?.kit, site.houseRules, now),
        ...(project && { who: project.learner, what: project.name }),
      }
    })
    .sort(inWalkingOrder)
  return <BeforeClass walk={walk} />
}
