import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readMachines } from '@/store/machine/machines'
import { PrintButton } from '@/ui/parts/print-button'
import { BagLabel, KitSheet, SwatchTags } from '@/ui/parts/print-sheet'
import { mustSee } from '../../../../_server/actor'
import { printedBag } from '../../../../_server/printed-bag'
import { projectPage } from '../../../../_server/project'
import { printedVenue, siteOf } from '../../../../_server/site'
import { booksOf } from '../../../../_server/store'

export const metadata: Metadata = { title: 'Label and card' }

export default async function PrintPage({ params }: { params: Promise<{ project: string }> }) {
  const actor = await mustSee('see-kits')
  const project = await projectPage(actor.siteId, (await params).project)
  const [machines, site] = await Promise.all([readMachines(booksOf(actor.siteId), actor.siteId), siteOf(actor.siteId)])
  const bag = printedBag(project, machines, site.houseRules)
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-4 print:hidden">
        <h1 className="text-3xl font-bold">Label and card</h1>
        <Link className="link" href={`/kits/${project.projectId}`}>
          {project.learner}: {project.name}
        </Link>
        {bag && <PrintButton words="Print" />}
      </div>
      {bag ? (
        <div className="flex flex-wrap items-start gap-6 overflow-x-auto print:block">
          <BagLabel bag={bag} />
          <KitSheet bag={bag} venue={printedVenue(site)} />
          <SwatchTags bag={bag} />
        </div>
      ) : (
        <p className="text-lg">Give this bag its kit first; then there is something to print.</p>
      )}
    </>
  )
}
