import type { Metadata } from 'next'
import Link from 'next/link'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { seatCheckProps } from '../../../../_server/seat'
import { SeatCheck } from '../../../../_parts/seat/seat-check'

export const metadata: Metadata = { title: 'Seat check' }

export default async function CheckPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const { machine, project } = await machinePage(actor.siteId, (await params).machine)
  const home = `/machines/${machine.machineId}`
  return (
    <div className="mx-auto max-w-4xl">
      <p>
        <Link className="link" href={home}>
          {machine.name}
        </Link>
        {project && ` · ${project.learner}, ${project.name}`}
      </p>
      <h1 className="mb-3 text-3xl font-bold">Seat check</h1>
      <SeatCheck {...seatCheckProps(machine, project)} swatchHref={`${home}/swatch`} homeHref={home} />
    </div>
  )
}
