import { sql } from 'kysely'
import { itemKey, itemWords, type StockItem } from '@/core/stock/item'
import type { StockMove } from '@/core/stock/ledger'
import { notFound, Refused } from '../refused'
import { readShelves } from '../stock/stock'
import { command, type CommandCall } from './command'

/** Holds one item's shelf for this transaction, so that two people cannot both take the last of it. */
async function holdShelf({ tx, actor }: CommandCall, item: StockItem): Promise<void> {
  await sql`select pg_advisory_xact_lock(hashtextextended(${`${actor.siteId}/${itemKey(item)}`}, 0))`.execute(tx)
}

async function write(call: CommandCall, kind: StockMove['kind'], item: StockItem, count: number, because?: string) {
  await call.tx
    .insertInto('stock_move')
    .values({
      site_id: call.actor.siteId,
      move_id: call.commandId,
      item_key: itemKey(item),
      item: JSON.stringify(item),
      kind,
      count,
      because: because ?? null,
      happened_at: call.now,
      person_id: call.actor.personId,
    })
    .execute()
}

/** @throws Refused 409 when fewer are there than are to go */
async function mustHold(call: CommandCall, item: StockItem, count: number): Promise<void> {
  const [shelf] = await readShelves(call.tx, call.actor.siteId, itemKey(item))
  const there = shelf?.count ?? 0
  if (there >= count) return
  const left = there === 0 ? 'none is left' : there === 1 ? 'one is left' : `${there} are left`
  throw new Refused(409, 'not-on-hand', `Of ${itemWords(item)} ${left}; somebody may just have taken some`, 'count')
}

/** Something new came in. */
export const receiveStock = command('receive-stock', (call, { item, count }) => write(call, 'received', item, count))

/** Somebody counted a shelf: so many lie there now, whatever was thought before. */
export const countStock = command('count-stock', async (call, { item, count }) => {
  await holdShelf(call, item)
  await write(call, 'counted', item, count)
})

/** Goes out for a class. Two people taking the last at once: one is told. */
export const takeStock = command('take-stock', async (call, { item, count, because }) => {
  await holdShelf(call, item)
  await mustHold(call, item, count)
  await write(call, 'taken', item, count, because)
})

/** More or fewer, for a reason: given away, found behind the cupboard. */
export const adjustStock = command('adjust-stock', async (call, { item, change, because }) => {
  await holdShelf(call, item)
  if (change < 0) await mustHold(call, item, -change)
  await write(call, 'adjusted', item, change, because)
})

/** @throws Refused 409 while something lies there */
export const putShelfAway = command('put-shelf-away', async (call, { item }) => {
  await holdShelf(call, item)
  const [shelf] = await readShelves(call.tx, call.actor.siteId, itemKey(item))
  if (!shelf) throw notFound('shelf', 'item')
  if (shelf.count > 0)
    throw new Refused(
      409,
      'not-empty',
      `${shelf.count} lie on the shelf of ${itemWords(item)}: take them out or count it to 0 first`,
      'item',
    )
  await write(call, 'put-away', item, 0)
})
