import type { Metadata } from 'next'
import { beforeClass } from '@/core/care/before-class'
import { standingOf } from '@/core/machine/standing'
import { readMachines } from '@/store/machine/machines'
import { lastGiven, readProjects } from '@/store/project/projects'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { theStore } from '../../../_server/store'
import { BeforeClass } from './before-class'

export const metadata: Metadata = { title: 'Before class' }

/** Machines closer than this, in tenths of a metre, stand in one row of the walk. */
const ROW = 8

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
        ...standingOf(machine.state, site.houseRules.needle, new Date().toISOString()),
        tasks: beforeClass(machine, project?.given?.kit, site.houseRules, now),
        ...(project && { who: project.learner, what: project.name }),
      }
    })
    .sort((a, b) => Math.round(a.place.y / ROW) - Math.round(b.place.y / ROW) || a.place.x - b.place.x)
  return <BeforeClass walk={walk} />
}
