import type { Metadata } from 'next'
import { beforeClass } from '@/core/care/before-class'
import { standingOf } from '@/core/machine/standing'
import { inWalkingOrder } from '@/core/room/walk'
import { readMachines } from '@/store/machine/machines'
import { lastGiven, readProjects } from '@/store/project/projects'
import { readSessions } from '@/store/session/sessions'
import { timeIn } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { BeforeClass } from './before-class'

export const metadata: Metadata = { title: 'Before class' }

/** A session that begins within so long is the one that is got ready for. */
const TONIGHT_MS = 18 * 3_600_000

export default async function BeforePage() {
  const actor = await mustSee('see-room')
  const store = booksOf(actor.siteId)
  const from = new Date()
  const [machines, projects, site, sessions] = await Promise.all([
    readMachines(store, actor.siteId),
    readProjects(store, actor.siteId),
    siteOf(actor.siteId),
    readSessions(store, actor.siteId, { from, to: new Date(from.getTime() + TONIGHT_MS) }),
  ])
  const now = from.toISOString()
  const tonight = sessions.filter(({ calledOff }) => calledOff === undefined)
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
        tasks: beforeClass(machine, project?.given?.kit, site.houseRules, now, project),
        traits: machine.traits,
        dialSet: project?.given?.kit.dial.setting ?? machine.traits.tensionDial?.normal,
        bobbins: machine.traits.bobbinClass,
        ...(project && { who: project.learner, what: project.name, projectId: project.projectId }),
      }
    })
    .sort(inWalkingOrder)
  return (
    <BeforeClass
      walk={walk}
      tonight={tonight.map(({ sessionId, course, startsAt }) => ({
        href: `/sessions/${sessionId}/bench`,
        words: `${course}, ${timeIn(startsAt, site.timeZone)}`,
      }))}
    />
  )
}
