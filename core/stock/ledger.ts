import { byKey, type StockItem } from './item'

/**
 * One line about a shelf. `received`: came in · `counted`: this many lie there now, whatever was thought before · `taken`:
 * went out for a class · `adjusted`: more or fewer for a reason, below 0 for fewer · `put-away`: an empty shelf is kept no more,
 * until something is said of it again.
 */
export interface StockMove {
  readonly moveId: string
  /** the order in which the database took it, whatever the clocks say; absent: the order is that of happening */
  readonly landed?: number
  readonly item: StockItem
  readonly kind: 'received' | 'counted' | 'taken' | 'adjusted' | 'put-away'
  readonly count: number
  readonly because?: string
  /** UTC, ISO 8601 with milliseconds */
  readonly happenedAt: string
  readonly personId: string
}

/** A new needle that went from the shelf into a machine. */
export interface NeedleFitted {
  readonly item: StockItem
  readonly happenedAt: string
}

export interface OnHand {
  readonly item: StockItem
  /** never below 0: nobody can have fitted what was not there */
  readonly count: number
  /** fitted or taken beyond what the shelf was thought to hold; above 0 somebody should count */
  readonly beyond: number
  readonly countedAt?: string
}

/** The order in which a shelf is told: the database's, else that of happening. */
export const inOrderOfShelf = (a: StockMove, b: StockMove): number =>
  a.landed !== undefined && b.landed !== undefined ? a.landed - b.landed : byTime(a, b)

const byTime = (a: StockMove, b: StockMove): number =>
  a.happenedAt < b.happenedAt ? -1 : a.happenedAt > b.happenedAt ? 1 : a.moveId < b.moveId ? -1 : 1

/** What each shelf holds now: the last count, and what came and went since. Items by first mention; those put away left out. */
export function onHand(moves: readonly StockMove[], fitted: readonly NeedleFitted[]): OnHand[] {
  const kept = [...byShelf(moves)].filter(([, own]) => own.at(-1)!.kind !== 'put-away')
  const fittedOf = byKey(fitted)
  return kept.map(([key, own]) => {
    const base = own.findLast(({ kind }) => kind === 'counted')
    const since = base ? own.slice(own.indexOf(base) + 1) : own
    const from = base?.happenedAt ?? own[0]!.happenedAt
    const went = (fittedOf.get(key) ?? []).filter(({ happenedAt }) => happenedAt > from).length
    const sum = since.reduce((total, { kind, count }) => total + (kind === 'taken' ? -count : count), base?.count ?? 0)
    const left = sum - went
    return {
      item: own[0]!.item,
      count: Math.max(0, left),
      beyond: Math.max(0, -left),
      ...(base && { countedAt: base.happenedAt }),
    }
  })
}

/** The shelves that are kept no more, with the moment of it; by first mention. */
export const shelvesAway = (moves: readonly StockMove[]): { readonly item: StockItem; readonly since: string }[] =>
  [...byShelf(moves).values()].flatMap((own) => {
    const last = own.at(-1)!
    return last.kind === 'put-away' ? [{ item: last.item, since: last.happenedAt }] : []
  })

const byShelf = (moves: readonly StockMove[]): ReadonlyMap<string, readonly StockMove[]> =>
  byKey([...moves].sort(inOrderOfShelf))
