import type { Metadata } from 'next'
import { kitMachine } from '@/core/kit/kit-machine'
import { may } from '@/core/wire/permission'
import { readMachines } from '@/store/machine/machines'
import { readProjects } from '@/store/project/projects'
import { mustSee } from '../../_server/actor'
import { booksOf } from '../../_server/store'
import { Rules } from './rules'
import { kitRoomOf } from '../../_server/kit-room'
import type { RulesBag } from './what-changes'

export const metadata: Metadata = { title: 'House rules' }

export default async function RulesPage() {
  const actor = await mustSee('see-rules')
  const store = booksOf(actor.siteId)
  const [machines, projects, room] = await Promise.all([
    readMachines(store, actor.siteId),
    readProjects(store, actor.siteId),
    kitRoomOf(actor.siteId),
  ])
  const known = machines.flatMap(({ machineId, name, traits, state }) => {
    const asked = kitMachine(traits)
    return 'machine' in asked
      ? [{ machineId, name, machine: asked.machine, ...(state.fitting && { fitting: state.fitting }) }]
      : []
  })
  const bags = projects.map(({ projectId, learner, name, fabric, layers, operation, given }): RulesBag => ({
    projectId,
    learner,
    name,
    work: { fabric, layers, operation },
    ...(given && { machineId: given.machineId }),
  }))
  return <Rules machines={known} bags={bags} room={room} mayChange={may(actor.role, 'change-house-rules')} />
}
