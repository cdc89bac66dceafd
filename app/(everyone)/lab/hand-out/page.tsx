import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { PrintButton } from '@/ui/parts/print-button'
import { mustSee } from '../../../_server/actor'
import { printedVenue, siteOf } from '../../../_server/site'
import { LabNav } from '../lab-nav'
import { HandOut, WallChart } from './sheets'

export const metadata: Metadata = { title: 'Hand-out' }

const SHEETS = { 'hand-out': 'Hand-out', chart: 'Wall chart' } as const
type Sheet = keyof typeof SHEETS

export default async function HandOutPage({ searchParams }: { searchParams: Promise<{ sheet?: string }> }) {
  const actor = await mustSee('see-lab')
  const { sheet } = await searchParams
  const shown: Sheet = sheet === 'chart' ? 'chart' : 'hand-out'
  const site = await siteOf(actor.siteId)
  return (
    <>
      <div className="print:hidden">
        <LabNav here="/lab/hand-out" mayProgress={may(actor.role, 'see-progress')} />
        <div className="mb-4 flex flex-wrap items-center gap-4">
          <h1 className="text-3xl font-bold">{SHEETS[shown]}</h1>
          {(Object.keys(SHEETS) as Sheet[])
            .filter((each) => each !== shown)
            .map((each) => (
              <Link key={each} className="link" href={`/lab/hand-out?sheet=${each}`}>
                {SHEETS[each]}
              </Link>
            ))}
          <PrintButton words="Print" />
        </div>
      </div>
      <div className="overflow-x-auto print:overflow-visible">
        {shown === 'chart' ? <WallChart venue={printedVenue(site)} /> : <HandOut venue={printedVenue(site)} />}
      </div>
    </>
  )
}
