import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { readMachines } from '@/store/machine/machines'
import { readProjects } from '@/store/project/projects'
import { PrintButton } from '@/ui/parts/print-button'
import { BagLabel } from '@/ui/parts/print-sheet'
import { mustSee } from '../../../_server/actor'
import { printedBag } from '../../../_server/printed-bag'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'

export const metadata: Metadata = { title: 'Bag labels' }

export default async function LabelsPage() {
  const actor = await mustSee('see-kits')
  const store = booksOf(actor.siteId)
  const [projects, machines, site] = await Promise.all([
    readProjects(store, actor.siteId),
    readMachines(store, actor.siteId),
    siteOf(actor.siteId),
  ])
  const bags = projects.flatMap((project) => {
    const bag = printedBag(project, machines, site.houseRules)
    return bag ? [{ id: project.projectId, bag }] : []
  })
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-4 print:hidden">
        <h1 className="text-3xl font-bold">Bag labels</h1>
        <Link className="link" href="/kits">
          Kits
        </Link>
        {bags.length > 0 && (
          <PrintButton words={bags.length === 1 ? 'Print one label' : `Print ${bags.length} labels`} />
        )}
      </div>
      {bags.length === 0 && <p className="text-lg">No bag has its kit yet; give one, and its label stands here.</p>}
      <div className="flex flex-wrap items-start gap-6 overflow-x-auto print:block">
        {bags.map(({ id, bag }) => (
          <BagLabel key={id} bag={bag} />
        ))}
      </div>
    </>
  )
}
