import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { WhatIsAsked } from '../../_parts/seat/what-is-asked'
import { SeatCheck } from '../../_parts/seat/seat-check'
import { seatCheckProps } from '../../_server/seat'
import { ownSeat } from '../../_server/station'

export const metadata: Metadata = { title: 'Seat check' }

export default async function StationCheckPage({ searchParams }: { searchParams: Promise<{ only?: string }> }) {
  const { machine, project } = await ownSeat()
  if (!machine) redirect('/station')
  const { only } = await searchParams
  const { shortened, swatchIsStale, check } = seatCheckProps(machine, project, { whole: only === 'all' })
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="mb-3 text-3xl font-bold">Seat check on {machine.name}</h1>
      <WhatIsAsked
        shortened={shortened}
        nothing={check.steps.length === 0}
        swatchHref={swatchIsStale ? '/station/swatch' : undefined}
        wholeHref="/station/check?only=all"
      />
      {check.steps.length > 0 && (
        <SeatCheck {...check} swatchHref="/station/swatch" homeHref="/station" faultHref="/station/fault" />
      )}
    </div>
  )
}
