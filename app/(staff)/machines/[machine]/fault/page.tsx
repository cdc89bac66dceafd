import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { FaultFinder } from '../../../../_parts/seat/fault-finder'
import { mustSee } from '../../../../_server/actor'
import { finderProps } from '../../../../_server/finder'
import { machinePage } from '../../../../_server/machine'

export const metadata: Metadata = { title: 'Fault finder' }

interface Props {
  params: Promise<{ machine: string }>
  searchParams: Promise<{ symptom?: string; after?: string }>
}

export default async function FaultPage({ params, searchParams }: Props) {
  const actor = await mustSee('see-book')
  const { machine, project, site } = await machinePage(actor.siteId, (await params).machine)
  const props = await finderProps(site, machine, project, await searchParams)
  const home = `/machines/${machine.machineId}`
  return (
    <>
      <p>
        <Link className="link" href={home}>
          {machine.name}
        </Link>
      </p>
      <h1 className="mb-3 text-3xl font-bold">Find the fault</h1>
      <FaultFinder {...props} role="staff" homeHref={home} />
    </>
  )
}
