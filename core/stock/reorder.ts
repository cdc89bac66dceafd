import type { RoomNumberName } from '../knowledge/room-number'
import { itemKey, type StockItem } from './item'
import type { NeedleFitted, OnHand, StockMove } from './ledger'

/** The room's number of weeks that a shelf should last. */
export const REORDER_NUMBER = 'reorderWeeks' as const satisfies RoomNumberName

/** Weeks of the past from which use is told. */
export const USE_WEEKS = 8
const WEEK_MS = 7 * 24 * 3_600_000
/** What shops sell at once. Source: common practice. */
const PACK: Readonly<Record<StockItem['kind'], number>> = { needle: 5, thread: 1, bobbin: 10, foot: 1 }

export interface Reorder {
  readonly item: StockItem
  /** went out in an ordinary week */
  readonly perWeek: number
  /** buy when less is left than this */
  readonly point: number
}

/** From what went out in the last weeks, the count below which each thing is bought again. @param now ISO, UTC */
export function reorderPoints(
  moves: readonly StockMove[],
  fitted: readonly NeedleFitted[],
  reorderWeeks: number,
  now: string,
): ReadonlyMap<string, Reorder> {
  const since = new Date(new Date(now).getTime() - USE_WEEKS * WEEK_MS).toISOString()
  const went = new Map<string, { item: StockItem; count: number }>()
  const add = (item: StockItem, count: number) => {
    const key = itemKey(item)
    went.set(key, { item, count: (went.get(key)?.count ?? 0) + count })
  }
  for (const { item, happenedAt } of fitted) if (happenedAt >= since && happenedAt <= now) add(item, 1)
  for (const { item, kind, count, happenedAt } of moves)
    if (kind === 'taken' && happenedAt >= since && happenedAt <= now) add(item, count)
  return new Map(
    [...went].map(([key, { item, count }]) => {
      const perWeek = count / USE_WEEKS
      return [key, { item, perWeek, point: Math.ceil(perWeek * reorderWeeks) }]
    }),
  )
}

/** One line of a shopping list. */
export interface ToBuy {
  readonly item: StockItem
  readonly count: number
  readonly because: string
  /** the session by which it has to be there, where one lacks it */
  readonly sessionId?: string
}

/**
 * What to buy, in whole packs: what sessions lack comes first, then what has sunk below its point.
 * @param promised by item, what planned sessions use up
 */
export function shoppingList(
  shelves: readonly OnHand[],
  promised: ReadonlyMap<string, number>,
  shortages: readonly { readonly item: StockItem; readonly sessionId: string; readonly short: number }[],
  points: ReadonlyMap<string, Reorder>,
): ToBuy[] {
  const counts = new Map(shelves.map(({ item, count }) => [itemKey(item), count]))
  const short = new Map(shortages.map((each) => [itemKey(each.item), each]))
  const items = new Map<string, StockItem>([
    ...shortages.map(({ item }) => [itemKey(item), item] as const),
    ...[...points].map(([key, { item }]) => [key, item] as const),
  ])
  return [...items]
    .flatMap(([key, item]): ToBuy[] => {
      const lack = short.get(key)
      const point = points.get(key)?.point ?? 0
      const left = (counts.get(key) ?? 0) - (promised.get(key) ?? 0)
      const wanted = Math.max(lack?.short ?? 0, point - left)
      if (wanted <= 0 || (!lack && left >= point)) return []
      const count = Math.ceil(wanted / PACK[item.kind]) * PACK[item.kind]
      const because = lack
        ? `${lack.short} short for what is planned`
        : `${Math.max(0, left)} left after what is promised, bought again below ${point}`
      return [{ item, count, because, ...(lack && { sessionId: lack.sessionId }) }]
    })
    .sort((a, b) => Number(!a.sessionId) - Number(!b.sessionId) || (itemKey(a.item) < itemKey(b.item) ? -1 : 1))
}
