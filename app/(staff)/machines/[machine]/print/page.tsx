import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { MachineCard } from '@/ui/parts/machine-card'
import { PrintButton } from '@/ui/parts/print-button'
import { mustSee } from '../../../../_server/actor'
import { labelCode } from '../../../../_server/label-code'
import { machinePage } from '../../../../_server/machine'
import { printedVenue } from '../../../../_server/site'

export const metadata: Metadata = { title: 'Machine card' }

export default async function MachineCardPage({ params }: { params: Promise<{ machine: string }> }) {
  const actor = await mustSee('see-book')
  const { machine, site } = await machinePage(actor.siteId, (await params).machine)
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-4 print:hidden">
        <h1 className="text-3xl font-bold">Card</h1>
        <Link className="link" href={`/machines/${machine.machineId}`}>
          {machine.name}
        </Link>
        <PrintButton words="Print" />
      </div>
      <div className="overflow-x-auto print:overflow-visible">
        <MachineCard
          name={machine.name}
          number={machine.number}
          notes={machine.notes}
          traits={machine.traits}
          code={labelCode('machine', machine.machineId)}
          venue={printedVenue(site)}
        />
      </div>
    </>
  )
}
