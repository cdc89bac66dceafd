import { readSheet, writeSheet } from '@/core/exchange/sheet-text'
import { readShelfRows, SHELF_COLUMNS, shelfCells } from '@/core/exchange/shelf-rows'
import { itemKey } from '@/core/stock/item'
import { readShelves } from '@/store/stock/stock'
import { asDownload } from '../../../_server/answer'
import { answerTo, route } from '../../../_server/asked'
import { storeOf } from '../../../_server/store'

/** Half a million characters, each of up to four bytes. */
const mostBytes = 2_000_000

/** What every shelf holds, as a sheet that can be counted along and brought back. */
export const GET = route({ may: 'see-stores' }, async ({ actor }) => {
  const shelves = await readShelves(storeOf(actor.siteId), actor.siteId)
  const rows = shelves.sort((a, b) => (itemKey(a.item) < itemKey(b.item) ? -1 : 1)).map(shelfCells)
  return asDownload('stores.csv', 'text/csv; charset=utf-8', writeSheet(SHELF_COLUMNS, rows))
})

/** Reads a sheet of what lies on the shelves: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = answerTo(
  'read-shelf-sheet',
  { may: 'count-stock', writes: true, mostBytes },
  ({ body: { text } }) => readShelfRows(readSheet(text, SHELF_COLUMNS)),
)
