import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { codeOf } from '@/core/code/code'
import { may } from '@/core/wire/permission'
import { STOCK_KINDS, itemKey, itemWords, manySystems, type StockItem } from '@/core/stock/item'
import { onHand } from '@/core/stock/ledger'
import { needlesFitted, reconcileNeedles } from '@/core/stock/reconcile'
import { ROOM_NUMBERS } from '@/core/knowledge/room-number'
import { shortagesOf } from '@/core/session/needs'
import { REORDER_NUMBER, reorderPoints, shoppingList } from '@/core/stock/reorder'
import { readRoom } from '@/store/machine/machines'
import { readNames } from '@/store/site/site'
import { readMoves, readNeedleBooks } from '@/store/stock/stock'
import { formatInTimeZone } from '@/ui/time'
import { PrintButton } from '@/ui/parts/print-button'
import { mustSee } from '../../_server/actor'
import { promisesOf } from '../../_server/promises'
import { siteOf } from '../../_server/site'
import { booksOf } from '../../_server/store'
import { Bought } from './bought'
import { Shelf, type ShelfShown } from './shelf'
import { NewItem } from './new-item'

export const metadata: Metadata = { title: 'Stores' }

const KIND_WORDS = { needle: 'Needles', thread: 'Thread', bobbin: 'Empty bobbins', foot: 'Feet' } as const

export default async function StoresPage({ searchParams }: { searchParams: Promise<{ shelf?: string }> }) {
  const actor = await mustSee('see-stores')
  const store = booksOf(actor.siteId)
  const { shelf: found } = await searchParams
  const now = new Date()
  const [moves, books, room, names, site, promises] = await Promise.all([
    readMoves(store, actor.siteId),
    readNeedleBooks(store, actor.siteId),
    readRoom(store, actor.siteId),
    readNames(store, actor.siteId),
    siteOf(actor.siteId),
    promisesOf(actor.siteId, now),
  ])
  const machineNames = new Map(room.map(({ machineId, name }) => [machineId, name]))
  const balances = reconcileNeedles(moves, books)
  const short = balances.filter((balance) => balance.short > 0)
  const fitted = needlesFitted(books)
  const shelves = onHand(moves, fitted).sort((a, b) => (itemKey(a.item) < itemKey(b.item) ? -1 : 1))
  const saysSystem = manySystems(shelves.map(({ item }) => item))
  const wordsOf = (item: StockItem) => itemWords(item, saysSystem)
  const mayCount = may(actor.role, 'count-stock')
  const mayReceive = may(actor.role, 'receive-stock')
  const { sessions, planned, coming } = promises
  const promised = new Map<string, { count: number; usedUp: boolean }>()
  for (const { needs } of sessions)
    for (const { item, count, usedUp } of needs) {
      const before = promised.get(itemKey(item))?.count ?? 0
      promised.set(itemKey(item), { usedUp, count: usedUp ? before + count : Math.max(before, count) })
    }
  const reorderWeeks = site.houseRules.numbers?.[REORDER_NUMBER] ?? ROOM_NUMBERS[REORDER_NUMBER].usual
  const points = reorderPoints(moves, fitted, reorderWeeks, now.toISOString())
  const usedUp = new Map([...promised].filter(([, each]) => each.usedUp).map(([key, { count }]) => [key, count]))
  const toBuy = shoppingList(shelves, usedUp, shelves.length > 0 ? shortagesOf(sessions, shelves) : [], points)
  const partUsed = new Map(balances.map((balance) => [itemKey(balance.item), balance.partUsed]))
  const whenOf = new Map(sessions.map(({ sessionId, startsAt }) => [sessionId, startsAt]))
  const shown = (kind: (typeof STOCK_KINDS)[number]): ShelfShown[] =>
    shelves
      .filter(({ item }) => item.kind === kind)
      .map(({ item, count, beyond, countedAt }) => ({
        key: itemKey(item),
        code: codeOf('shelf', itemKey(item)),
        item,
        words: wordsOf(item),
        count,
        beyond,
        ...shelfNotes(itemKey(item)),
        ...(countedAt !== undefined && { counted: formatInTimeZone(countedAt, site.timeZone) }),
      }))
  const shelfNotes = (key: string): Pick<ShelfShown, 'promised' | 'partUsed' | 'point'> => {
    const point = points.get(key)?.point
    return {
      ...(promised.has(key) && { promised: promised.get(key)! }),
      ...(partUsed.get(key) && { partUsed: partUsed.get(key)! }),
      ...(point && { point }),
    }
  }
  return (
    <>
      <div className="mb-4 flex flex-wrap items-end gap-4">
        <h1 className="text-3xl font-bold">Stores</h1>
        {shelves.length > 0 && (
          <Link className="link" href="/stores/labels">
            Labels for the shelves
          </Link>
        )}
        {mayCount && (
          <Link className="link" href="/stores/sheet">
            In and out as a sheet
          </Link>
        )}
        {mayCount && <NewItem />}
      </div>
      {short.length > 0 && (
        <section aria-labelledby="short" className="sheet mb-6 border-l-8 border-l-error p-5">
          <h2 id="short" className="text-xl font-bold">
            Needles that nobody can account for
          </h2>
          <p>A lost needle is a foot injury. Look under the table first, then ask.</p>
          <ul className="mt-2">
            {short.map((balance) => (
              <li key={itemKey(balance.item)} className="seam py-2 text-lg">
                <span className="numeral text-2xl">{balance.short}</span> {wordsOf(balance.item)}
                {balance.last.length > 0 && (
                  <span className="block text-base">
                    Last in hand:{' '}
                    {balance.last
                      .map(
                        (touch) =>
                          `${names.get(touch.personId) ?? 'somebody'} at ${machineNames.get(touch.machineId) ?? 'a machine'}, ${formatInTimeZone(touch.happenedAt, site.timeZone)}`,
                      )
                      .join(' · ')}
                  </span>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {toBuy.length > 0 && (
        <section aria-labelledby="buy" className="sheet mb-6 p-5">
          <div className="flex flex-wrap items-center gap-4">
            <h2 id="buy" className="grow text-xl font-bold">
              To buy
            </h2>
            <PrintButton words="Print the list" />
          </div>
          <ul className="mt-1 grid gap-x-8 sm:grid-cols-2">
            {toBuy.map(({ item, count, because, sessionId }) => (
              <li key={itemKey(item)} className="seam flex flex-wrap items-center gap-3 py-2">
                <span className="numeral w-10 text-right text-2xl">{count}</span>
                <span className="min-w-0 flex-1 basis-48">
                  <strong className="block first-letter:uppercase">{wordsOf(item)}</strong>
                  <span className="block text-sm">
                    {because}
                    {sessionId && (
                      <strong className="text-error">
                        , by {formatInTimeZone(whenOf.get(sessionId)!, site.timeZone)}
                      </strong>
                    )}
                  </span>
                </span>
                {mayReceive && <Bought item={item} words={wordsOf(item)} wanted={count} />}
              </li>
            ))}
          </ul>
        </section>
      )}
      {coming > 0 && shelves.length > 0 && (
        <p className="mb-4">
          {planned === 0 ? 'No session to come is planned yet' : `${planned} of ${coming} sessions to come are planned`}
          : what they take is promised here.{' '}
          <Link className="link" href="/sessions">
            Sessions
          </Link>
        </p>
      )}
      {shelves.length === 0 && (
        <section className="sheet p-8 text-lg">
          <h2 className="text-2xl font-bold">Nothing has been counted yet</h2>
          <p className="mt-2">
            Count one packet of needles, and from then on every needle that goes into a machine is taken off by itself.
          </p>
        </section>
      )}
      <div className="grid grid-cols-1 gap-8 lg:grid-cols-2">
        {STOCK_KINDS.map((kind) => {
          const own = shown(kind)
          return (
            own.length > 0 && (
              <section key={kind} aria-label={KIND_WORDS[kind]}>
                <h2 className="text-xl font-bold">{KIND_WORDS[kind]}</h2>
                <ul className="mt-1">
                  {own.map((shelf) => (
                    <Shelf
                      key={shelf.key}
                      shelf={shelf}
                      found={shelf.code === found}
                      mayCount={mayCount}
                      mayTake={may(actor.role, 'take-stock')}
                    />
                  ))}
                </ul>
              </section>
            )
          )
        })}
      </div>
      {balances.length > 0 && (
        <section aria-labelledby="sum" className="mt-8 overflow-x-auto">
          <h2 id="sum" className="text-xl font-bold">
            Where the needles went
          </h2>
          <p>
            Bought = in stock + in machines + part-used + sharps + lost, but for what was put on or taken off by hand.
          </p>
          <table className="table mt-2">
            <thead>
              <tr>
                {['Needle', 'Bought', 'In stock', 'In machines', 'Part-used', 'Sharps', 'Lost', 'By hand', 'Short'].map(
                  (title) => (
                    <th key={title} scope="col" className={title === 'Needle' ? '' : 'text-right'}>
                      {title}
                    </th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {balances.map((balance) => (
                <tr key={itemKey(balance.item)}>
                  <th scope="row">{wordsOf(balance.item)}</th>
                  {[
                    balance.bought,
                    balance.inStock,
                    balance.inMachines,
                    balance.partUsed,
                    balance.sharps,
                    balance.lost,
                    balance.adjusted,
                  ].map((count, index) => (
                    <td key={index} className="text-right">
                      {count === 0 ? <span className="opacity-60">0</span> : count}
                    </td>
                  ))}
                  <td className={`text-right font-bold ${balance.short > 0 ? 'text-error' : ''}`}>
                    {balance.short < 0 ? `${-balance.short} too many` : balance.short}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
    </>
  )
}
