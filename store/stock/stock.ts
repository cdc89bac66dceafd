import type { Kysely, Transaction } from 'kysely'
import { eventBody, type EventKind, type MachineEvent } from '@/core/machine/event'
import type { KitStock } from '@/core/kit/request'
import { StockSchema } from '@/core/kit/kit-schema'
import { check } from '@/core/schema/validate'
import { StockItemSchema } from '@/core/stock/item'
import { onHand, type OnHand, type StockMove } from '@/core/stock/ledger'
import { needlesFitted, type NeedleBook } from '@/core/stock/reconcile'
import type { Database } from '../database'
import { maybeOf } from '../machine/standing-lines'

type Reader = Kysely<Database> | Transaction<Database>

/** Everything written about the shelves, in the order in which the database took it; of one item only, where asked. */
export async function readMoves(store: Reader, siteId: string, key?: string): Promise<StockMove[]> {
  const rows = await store
    .selectFrom('stock_move')
    .selectAll()
    .where('site_id', '=', siteId)
    .$if(key !== undefined, (query) => query.where('item_key', '=', key!))
    .orderBy('landed')
    .execute()
  return rows.map((row) => ({
    landed: row.landed,
    moveId: row.move_id,
    item: check(StockItemSchema, row.item),
    kind: row.kind as StockMove['kind'],
    count: row.count,
    ...(row.because !== null && { because: row.because }),
    happenedAt: row.happened_at.toISOString(),
    personId: row.person_id,
  }))
}

const NEEDLE_KINDS = [
  'needle-changed',
  'needle-broke',
  'pieces-found',
  'fault-run',
  'correction',
] as const satisfies readonly EventKind[]

/**
 * The needle lines of every book, those that were put in place of others too, with the corrections; a correction that has to do with
 * no needle names nothing here and counts for nothing.
 * @param since only lines from then on, ISO; corrections come with them, being later than what they correct
 */
export async function readNeedleBooks(store: Reader, siteId: string, since?: string): Promise<NeedleBook[]> {
  const rows = await store
    .selectFrom('machine_event')
    .select(['machine_id', 'event_id', 'happened_at', 'kind', 'body', 'person_id'])
    .where('site_id', '=', siteId)
    .where(maybeOf(siteId, NEEDLE_KINDS))
    .$if(since !== undefined, (query) => query.where('happened_at', '>=', new Date(since!)))
    .execute()
  const books = new Map<string, MachineEvent[]>()
  for (const row of rows) {
    const kind = row.kind as EventKind
    const event = {
      eventId: row.event_id,
      happenedAt: row.happened_at.toISOString(),
      personId: row.person_id,
      kind,
      body: check(eventBody(kind), row.body),
    } as MachineEvent
    const own = books.get(row.machine_id)
    if (own) own.push(event)
    else books.set(row.machine_id, [event])
  }
  return [...books].map(([machineId, events]) => ({ machineId, events }))
}

/** What every shelf holds now. */
export async function readShelves(store: Reader, siteId: string, key?: string): Promise<OnHand[]> {
  const moves = await readMoves(store, siteId, key)
  const needles = moves.filter(({ item }) => item.kind === 'needle')
  if (needles.length === 0) return onHand(moves, [])
  return onHand(moves, needlesFitted(await readNeedleBooks(store, siteId, needles[0]!.happenedAt)))
}

/** What is on the shelves, as the kit asks for it; undefined when nothing has been counted yet. */
export function asKitStock(shelves: readonly OnHand[]): KitStock | undefined {
  if (shelves.length === 0) return undefined
  return check(StockSchema, {
    needles: shelves.flatMap(({ item, count }) =>
      item.kind === 'needle' ? [{ system: item.system, point: item.point, sizeNm: item.sizeNm, count }] : [],
    ),
    threads: shelves.flatMap(({ item, count }) =>
      item.kind === 'thread' && count > 0 ? [{ tex: item.tex, fibre: item.fibre, use: item.use }] : [],
    ),
  })
}
