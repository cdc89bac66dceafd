import type { Metadata } from 'next'
import Link from 'next/link'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { KitCard } from '@/ui/parts/kit-card'
import { timeIn } from '@/ui/time'
import { ownSeat } from '../_server/station'

export const metadata: Metadata = { title: 'Your seat' }

export default async function StationPage() {
  const { actor, site, project, machine, standing, planned, takenOverBy } = await ownSeat()
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
  if (!project?.given || !machine) {
    return (
      <section className="sheet p-8 text-lg">
        <h1 className="text-3xl font-bold">Hello {actor.name}</h1>
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
      </section>
    )
  }
  return (
    <>
      <h1 className="text-3xl font-bold">{project.name}</h1>
      <p className="mt-1 flex flex-wrap items-center gap-4 text-xl">
        <span>
          You sit at <strong>{machine.name}</strong>, no. {machine.number}
        </span>
        {standing && <StandingMark standing={standing.standing} />}
      </p>
      {coming}
      {standing?.standing === 'stopped' ? (
        <p className="mt-4 border-l-4 border-error pl-3 text-lg">
          This machine is stopped. Please do not sew on it; tell your instructor.
        </p>
      ) : (
        <nav aria-label="Next" className="my-5 flex flex-wrap gap-3">
          <Link href="/station/check" className="btn btn-primary btn-lg">
            Seat check
          </Link>
          <Link href="/station/swatch" className="btn btn-outline btn-lg">
            Read my swatch
          </Link>
          <Link href="/station/fault" className="btn btn-outline btn-lg">
            Something is wrong
          </Link>
        </nav>
      )}
      <KitCard kit={project.given.kit} traits={machine.traits} fabric={project.fabric} layers={project.layers} />
    </>
  )
}
