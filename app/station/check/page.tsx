import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { SeatCheck } from '../../_parts/seat/seat-check'
import { seatCheckProps } from '../../_server/seat'
import { ownSeat } from '../../_server/station'

export const metadata: Metadata = { title: 'Seat check' }

export default async function StationCheckPage() {
  const { machine, project } = await ownSeat()
  if (!machine) redirect('/station')
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="mb-3 text-3xl font-bold">Seat check on {machine.name}</h1>
      <SeatCheck {...seatCheckProps(machine, project)} swatchHref="/station/swatch" homeHref="/station" />
    </div>
  )
}
