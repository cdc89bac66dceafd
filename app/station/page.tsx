import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { faultsShown } from '@/core/machine/standing'
import { formatInTimeZone, timeIn } from '@/ui/time'
import { KitCard } from '@/ui/parts/kit-card'
import { SeatWay } from '@/ui/drawings/seat-way'
import { readOwnLines } from '@/store/people/own-lines'
import { readForNextTime } from '@/store/session/for-next-time'
import { MachinePhotograph } from '../_parts/machine-photograph'
import { ownSeat } from '../_server/station'
import { booksOf } from '../_server/store'
import { ForNextTime } from './for-next-time'
import { NextStep } from './next-step'

export const metadata: Metadata = { title: 'Your seat' }

/** So many lines of other days are told again. */
const LAST_TIME = 4

export default async function StationPage() {
  const { actor, site, project, machine, standing, planned, takenOverBy, at, until } = await ownSeat()
  // What the run sheet has for them next, where it is another place than the one they sit at.
  const next = planned.filter(({ machineId }) => machineId !== machine?.machineId)
  const coming = next.length > 0 && (
    <ul className="mt-2 text-lg">
      {next.map(({ projectId, what, machine: name, number, block, from }) => (
        <li key={`${projectId} ${block}`}>
          <strong>
            Block {block}, from {timeIn(from, site.timeZone)}: {name}, no. {number}
          </strong>
          , your {what}. Your instructor gives you your bag then.
        </li>
      ))}
    </ul>
  )
  const forNextTime = (
    <ForNextTime
      classes={await readForNextTime(booksOf(actor.siteId), actor.siteId, actor.personId, new Date())}
      timeZone={site.timeZone}
    />
  )
  if (!project?.given || !machine || !at) {
    return (
      <section className="sheet p-8 text-lg">
        <h1 className="text-3xl font-bold">Hello {actor.name}</h1>
        <SeatWay step="bag" words className="my-4 h-16 max-w-full" />
        {coming}
        {takenOverBy && project?.given && (
          <p className="mt-2">{takenOverBy} sits at your last machine now: your turn there is over.</p>
        )}
        <p className="mt-2">
          {next.length > 0 || takenOverBy
            ? ''
            : project
              ? `Your ${project.name} has no machine yet. Your instructor gives you one with your bag.`
              : 'You have no project here yet. Tell your instructor what you are making.'}
        </p>
        {!project && <AskCloth />}
        {forNextTime}
      </section>
    )
  }
  const before = await readOwnLines(
    booksOf(actor.siteId),
    actor.siteId,
    actor.personId,
    project.given.givenAt,
    LAST_TIME,
  )
  return (
    <>
      <h1 className="text-2xl font-bold sm:text-3xl">{project.name}</h1>
      <p className="mt-1 text-xl">
        You sit at <strong>{machine.name}</strong>, no. {machine.number}
        {until && <span className="text-lg">, until {timeIn(until, site.timeZone)}</span>}
      </p>
      <MachinePhotograph site={site} machineId={machine.machineId} name={machine.name} className="mt-2 h-24 w-36" />
      <SeatWay step={at.step} words className="my-3 h-16 max-w-full" />
      {standing?.standing !== 'stopped' && (
        <NextStep
          step={at.step}
          faults={faultsShown(machine.state)?.words ?? []}
          machineId={machine.machineId}
          projectId={project.projectId}
          {...(machine.state.turn && { turn: machine.state.turn })}
        />
      )}
      {coming}
      {at.step === 'done' && forNextTime}
      <h2 className="mb-2 mt-6 text-2xl font-bold">What is in your bag</h2>
      <KitCard kit={project.given.kit} traits={machine.traits} fabric={project.fabric} layers={project.layers} />
      <AskCloth />
      {before.length > 0 && (
        <section aria-label="Last time" className="seam mt-6 pt-4">
          <h2 className="text-2xl font-bold">Last time</h2>
          <ul className="mt-1">
            {before.map(({ eventId, at: when, machine: name, title }) => (
              <li key={eventId}>
                {formatInTimeZone(when, site.timeZone)}, {name}: {title}
              </li>
            ))}
          </ul>
        </section>
      )}
      {at.step !== 'done' && forNextTime}
    </>
  )
}

/** A kit is only as right as what was said of the cloth. */
const AskCloth = () => (
  <p className="mt-3">
    <Link className="link inline-flex min-h-11 items-center" href="/lab/cloth">
      Not sure which cloth it is? A few questions tell
    </Link>
  </p>
)
