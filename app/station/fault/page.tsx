import type { Metadata } from 'next'
import { redirect } from 'next/navigation'
import { FaultFinder } from '../../_parts/seat/fault-finder'
import { finderProps } from '../../_server/finder'
import { ownSeat } from '../../_server/station'

export const metadata: Metadata = { title: 'Something is wrong' }

export default async function StationFaultPage({
  searchParams,
}: {
  searchParams: Promise<{ symptom?: string; after?: string }>
}) {
  const { machine, project, site } = await ownSeat()
  if (!machine) redirect('/station')
  const props = await finderProps(site, machine, project, await searchParams)
  // Staff say what is cured: of what they wrote a learner reads nothing.
  return (
    <>
      <h1 className="mb-3 text-3xl font-bold">What is wrong with {machine.name}?</h1>
      <FaultFinder {...props} open={[]} role="learner" homeHref="/station" />
    </>
  )
}
