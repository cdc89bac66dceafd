import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { mustSee } from '../../../../_server/actor'
import { machinePage } from '../../../../_server/machine'
import { seatCheckProps } from '../../../../_server/seat'
import { WhatIsAsked } from '../../../../_parts/seat/what-is-asked'
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
  const { shortened, swatchIsStale, check } = seatCheckProps(machine, project, {
    list: list === 'room' ? 'room' : 'seat',
    whole: only === 'all',
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
      <WhatIsAsked
        shortened={shortened}
        nothing={check.steps.length === 0}
        swatchHref={swatchIsStale ? `${home}/swatch` : undefined}
        wholeHref={`${home}/check?only=all`}
      />
      {check.steps.length > 0 && (
        <SeatCheck {...check} swatchHref={`${home}/swatch`} homeHref={home} faultHref={`${home}/fault`} />
      )}
    </div>
  )
}
