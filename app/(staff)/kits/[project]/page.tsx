import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { may } from '@/core/people/role'
import { kitMachine } from '@/core/machine/kit-machine'
import { standingOf } from '@/core/machine/standing'
import { TRAIT_QUESTIONS } from '@/core/machine/trait'
import { readMachines } from '@/store/machine/machines'
import { readProject, readStock } from '@/store/project/projects'
import { siteOf } from '../../../_server/site'
import { mustSee } from '../../../_server/actor'
import { theStore } from '../../../_server/store'
import { Bag, type BagMachine } from './bag'

type Props = { params: Promise<{ project: string }>; searchParams: Promise<{ machine?: string }> }

async function found(siteId: string, projectId: string) {
  if (!/^[0-9a-f-]{36}$/i.test(projectId)) notFound()
  const project = await readProject(theStore(), siteId, projectId)
  if (!project) notFound()
  return project
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const actor = await mustSee('see-kits')
  const project = await found(actor.siteId, (await params).project)
  return { title: `${project.learner}, ${project.name}` }
}

export default async function BagPage({ params, searchParams }: Props) {
  const actor = await mustSee('see-kits')
  const store = theStore()
  const [project, machines, site, stock] = await Promise.all([
    found(actor.siteId, (await params).project),
    readMachines(store, actor.siteId),
    siteOf(actor.siteId),
    readStock(store, actor.siteId),
  ])
  const choices = machines.map((machine): BagMachine => {
    const known = kitMachine(machine.traits)
    return {
      machineId: machine.machineId,
      name: machine.name,
      standing: standingOf(machine.state, site.houseRules.needle).standing,
      traits: machine.traits,
      ...('machine' in known
        ? { machine: known.machine }
        : { missing: known.missing.map((trait) => TRAIT_QUESTIONS[trait]) }),
    }
  })
  const asked = (await searchParams).machine
  const first = choices.find(({ machineId }) => machineId === (asked ?? project.given?.machineId)) ?? choices[0]
  return (
    <Bag
      project={{
        projectId: project.projectId,
        learner: project.learner,
        name: project.name,
        fabric: project.fabric,
        layers: project.layers,
        operation: project.operation,
      }}
      {...(project.given && { given: { machineId: project.given.machineId, kit: project.given.kit } })}
      machines={choices}
      firstMachine={first?.machineId}
      schools={site.houseRules.schools}
      {...(stock && { stock })}
      mayGive={may(actor.role, 'give-kit')}
    />
  )
}
