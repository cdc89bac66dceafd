import type { Metadata } from 'next'
import Link from 'next/link'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { seatCheckProps } from '../../../../_server/seat'
import { SeatCheck } from '../../../../_parts/seat/seat-check'

export const metadata: Metadata = { title: 'Check' }

interface Props {
  params: Promise<{ machine: string }>
  searchParams: Promise<{ list?: string; only?: string }>
}

export default async function CheckPage({ params, searchParams }: Props) {
  const actor = await mustSee('see-book')
  const { machine, project } = await machinePage(actor.siteId, (await params).machine)
  const { list, only } = await searchParams
  const props = seatCheckProps(machine, project, {
    list: list === 'room' ? 'room' : 'seat',
    onlyStale: only === 'stale',
  })
  const home = `/machines/${machine.machineId}`
  return (
    <div className="mx-auto max-w-4xl">
      <p>
        <Link className="link" href={home}>
          {machine.name}
        </Link>
        {project && ` · ${project.learner}, ${project.name}`}
      </p>
      <h1 className="mb-3 text-3xl font-bold">{list === 'room' ? 'Room check' : 'Seat check'}</h1>
      {only === 'stale' && (
        <p>
          Only what has changed since it was last checked.{' '}
          <Link className="link" href={`${home}/check`}>
            The whole check
          </Link>
        </p>
      )}
      <SeatCheck {...props} swatchHref={`${home}/swatch`} homeHref={home} />
    </div>
  )
}
