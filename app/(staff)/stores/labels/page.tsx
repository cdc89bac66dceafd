import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { itemKey, itemWords, manySystems } from '@/core/stock/item'
import { readShelves } from '@/store/stock/stock'
import { PrintButton } from '@/ui/parts/print-button'
import { PrintedCodeFigure } from '@/ui/parts/printed-code'
import { mustSee } from '../../../_server/actor'
import { labelCode } from '../../../_server/label-code'
import { booksOf } from '../../../_server/store'

export const metadata: Metadata = { title: 'Shelf labels' }

export default async function ShelfLabelsPage() {
  const actor = await mustSee('see-stores')
  const shelves = await readShelves(booksOf(actor.siteId), actor.siteId)
  const sorted = [...shelves].sort((a, b) => (itemKey(a.item) < itemKey(b.item) ? -1 : 1))
  const saysSystem = manySystems(sorted.map(({ item }) => item))
  return (
    <>
      <div className="mb-5 flex flex-wrap items-center gap-4 print:hidden">
        <h1 className="text-3xl font-bold">Shelf labels</h1>
        <Link className="link" href="/stores">
          Stores
        </Link>
        {sorted.length > 0 && (
          <PrintButton words={`Print ${sorted.length === 1 ? 'one label' : `${sorted.length} labels`}`} />
        )}
      </div>
      {sorted.length === 0 && (
        <p className="text-lg">Nothing lies on a shelf yet; count something, and its label stands here.</p>
      )}
      <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3 print:grid-cols-3">
        {sorted.map(({ item }) => (
          <li
            key={itemKey(item)}
            className="flex items-center gap-4 border-2 border-base-content p-3 break-inside-avoid"
          >
            <PrintedCodeFigure code={labelCode('shelf', itemKey(item))} className="size-20" />
            <strong className="text-lg first-letter:uppercase">{itemWords(item, saysSystem)}</strong>
          </li>
        ))}
      </ul>
    </>
  )
}
