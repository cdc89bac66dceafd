import type { Metadata } from 'next'
import { rulesOfClass } from '@/core/room/class-settings'
import { may } from '@/core/wire/permission'
import { openFaults, standingOf, unsound } from '@/core/machine/standing'
import { TRAIT_QUESTIONS } from '@/core/knowledge/machine/trait'
import { bagStanding } from '@/core/kit/for-room'
import { kitMachine } from '@/core/kit/kit-machine'
import { readMachines } from '@/store/machine/machines'
import { readGiven } from '@/store/project/projects'
import { readNames } from '@/store/site/site'
import { formatInTimeZone } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { projectPage } from '../../../_server/project'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { WholeBag } from './whole-bag'
import { Bag } from './bag'
import { kitRoomOf } from '../../../_server/kit-room'
import type { BagMachine } from './bag-work'

type Props = { params: Promise<{ project: string }>; searchParams: Promise<{ machine?: string }> }

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const actor = await mustSee('see-kits')
  const project = await projectPage(actor.siteId, (await params).project)
  return { title: `${project.learner}, ${project.name}` }
}

export default async function BagPage({ params, searchParams }: Props) {
  const actor = await mustSee('see-kits')
  const store = booksOf(actor.siteId)
  const project = await projectPage(actor.siteId, (await params).project)
  const [machines, away, site, room, given, names] = await Promise.all([
    readMachines(store, actor.siteId),
    readMachines(store, actor.siteId, { putAway: true }),
    siteOf(actor.siteId),
    kitRoomOf(actor.siteId),
    readGiven(store, actor.siteId, project.projectId),
    readNames(store, actor.siteId),
  ])
  const now = new Date().toISOString()
  const choices = machines.map((machine): BagMachine => {
    const known = kitMachine(machine.traits)
    return {
      machineId: machine.machineId,
      name: machine.name,
      standing: standingOf(machine.state, site.houseRules.needle, now).standing,
      faults: openFaults(machine.state),
      traits: machine.traits,
      ...('machine' in known
        ? { machine: known.machine }
        : { missing: known.missing.map((trait) => TRAIT_QUESTIONS[trait]) }),
    }
  })
  const asked = (await searchParams).machine
  const candidates = choices.map((choice, index) => ({ ...choice, unsound: unsound(machines[index]!.state, now) }))
  // As the rack says it: where they sit, or where they would be best off.
  const theirs = asked ?? bagStanding(project, candidates, room, project.given).machineId
  const first = choices.find(({ machineId }) => machineId === theirs) ?? choices[0]
  const mayGive = may(actor.role, 'give-kit')
  return (
    <>
      <Bag
        project={{
          projectId: project.projectId,
          learner: project.learner,
          name: project.name,
          fabric: project.fabric,
          layers: project.layers,
          operation: project.operation,
          ...(project.sewn && { sewn: project.sewn }),
        }}
        given={given.map(({ machineId, kit, givenAt, givenBy }) => ({
          machineId,
          machine: [...machines, ...away].find((each) => each.machineId === machineId)?.name ?? '',
          kit,
          by: `${names.get(givenBy) ?? 'somebody'}, ${formatInTimeZone(givenAt, site.timeZone)}`,
        }))}
        machines={choices}
        firstMachine={first?.machineId}
        room={{ ...room, rules: rulesOfClass(room.rules, project.ofClass) }}
        mayGive={mayGive}
        putAway={project.putAway}
        practice={site.practice}
      />
      {may(actor.role, 'rename-project') && !project.putAway && (
        <WholeBag
          projectId={project.projectId}
          personId={project.personId}
          learner={project.learner}
          name={project.name}
        />
      )}
    </>
  )
}
