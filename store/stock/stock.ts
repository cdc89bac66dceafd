import type { Kysely, Transaction } from 'kysely'
import type { EventKind, MachineEvent } from '@/core/machine/event'
import type { KitStock } from '@/core/kit/request'
import { StockSchema } from '@/core/kit/kit-schema'
import { check } from '@/core/schema/validate'
import { StockItemSchema } from '@/core/stock/item-schema'
import { onHand, type NeedleFitted, type OnHand, type StockMove } from '@/core/stock/ledger'
import { needlesFitted, type NeedleBook } from '@/core/stock/reconcile'
import type { Database } from '../database'
import { DATABASE_RUN } from '../database-run'
import { asLine, LINE } from '../machine/book'

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
const isNeedleKind = (kind: EventKind): boolean => (NEEDLE_KINDS as readonly EventKind[]).includes(kind)

/**
 * The needle lines of every book, those that were put in place of others too, with the corrections; a correction that has to do with
 * no needle names nothing here and counts for nothing.
 * @param since only lines from then on, ISO; corrections come with them, being later than what they correct
 */
export async function readNeedleBooks(store: Reader, siteId: string, since?: string): Promise<NeedleBook[]> {
  const lines = store
    .selectFrom('machine_event')
    .select([...LINE, 'machine_id'])
    .where('site_id', '=', siteId)
    .$if(since !== undefined, (query) => query.where('happened_at', '>=', new Date(since!)))
  const found = await lines.where('kind', 'in', NEEDLE_KINDS).execute()
  // A line of another kind that was meant to be one of these: seldom, and asked for only then.
  const known = new Set(found.map(({ event_id: id }) => id))
  const meant = found.flatMap((row) => {
    if (row.kind !== 'correction') return []
    const line = asLine(row)
    const put = line.kind === 'correction' ? line.body : undefined
    return put?.replacement && isNeedleKind(put.replacement.kind) && !known.has(put.corrects) ? [put.corrects] : []
  })
  const others = meant.length === 0 ? [] : await lines.where('event_id', 'in', [...new Set(meant)]).execute()
  const books = new Map<string, MachineEvent[]>()
  for (const row of [...found, ...others]) {
    const own = books.get(row.machine_id)
    if (own) own.push(asLine(row))
    else books.set(row.machine_id, [asLine(row)])
  }
  return [...books].map(([machineId, events]) => ({ machineId, events }))
}

/** What every shelf holds now; of one item only, where asked. */
export async function readShelves(store: Reader, siteId: string, key?: string): Promise<OnHand[]> {
  const moves = await readMoves(store, siteId, key)
  const first = moves.find(({ item }) => item.kind === 'needle')
  if (!first) return onHand(moves, [])
  // A command asks for one item, and sees what it has itself just written.
  const fitted =
    key === undefined
      ? await readFitted(store, siteId, first.happenedAt)
      : needlesFitted(await readNeedleBooks(store, siteId, first.happenedAt))
  return onHand(moves, fitted)
}

/** How many venues' needles a process remembers: those that were asked for last. */
const MOST_REMEMBERED = 200

interface Remembered {
  readonly run: string
  readonly since: string
  readonly lines: number
  readonly fitted: readonly NeedleFitted[]
}
const remembered = new Map<string, Remembered>()

/**
 * What was fitted from the shelves since a moment. Nearly every page asks, and after years the books are long; lines are never taken
 * out of a book, so as many of them as last time are the same ones.
 */
async function readFitted(store: Reader, siteId: string, since: string): Promise<readonly NeedleFitted[]> {
  const { lines, run } = await store
    .selectFrom('machine_event')
    .select(({ fn }) => [fn.countAll<number>().as('lines'), DATABASE_RUN.as('run')])
    .where('site_id', '=', siteId)
    .where('happened_at', '>=', new Date(since))
    .where('kind', 'in', NEEDLE_KINDS)
    .executeTakeFirstOrThrow()
  const last = remembered.get(siteId)
  const fitted =
    last?.run === run && last.since === since && last.lines === lines
      ? last.fitted
      : needlesFitted(await readNeedleBooks(store, siteId, since))
  remembered.delete(siteId)
  remembered.set(siteId, { run, since, lines, fitted })
  for (const [oldest] of remembered) {
    if (remembered.size <= MOST_REMEMBERED) break
    remembered.delete(oldest)
  }
  return fitted
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
