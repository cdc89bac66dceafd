import type { MachineEvent } from '../machine/event'
import { applyCorrections } from '../machine/fold'
import { isBroken } from '../machine/kinds/needle-changed'
import { reportsBreak } from '../machine/kinds/fault-run'
import { byKey, itemKey, needleItem, type NeedleItem } from './item'
import { inOrderOfShelf, onHand, type NeedleFitted, type StockMove } from './ledger'

/** The needle lines of one machine's book. */
export interface NeedleBook {
  readonly machineId: string
  readonly events: readonly MachineEvent[]
}

/** Somebody who had such a needle in hand. */
export interface Touch {
  readonly machineId: string
  readonly personId: string
  readonly happenedAt: string
}

/**
 * Where every needle of one kind went. bought = inStock + inMachines + partUsed + sharps + lost − adjusted + short: a lost
 * needle is a foot injury, so what is short is named with whoever had one last.
 */
export interface NeedleBalance {
  readonly item: NeedleItem
  /** received, lying there at the first count, or already in a machine when its book began */
  readonly bought: number
  readonly inStock: number
  readonly inMachines: number
  readonly partUsed: number
  readonly sharps: number
  /** written down as lost, or broken with pieces not found */
  readonly lost: number
  /** taken off or put on the books by hand, with a reason */
  readonly adjusted: number
  /** above 0: nobody knows where these are; below 0: more turned up than ever came */
  readonly short: number
  /** the last who had one in hand, newest first */
  readonly last: readonly Touch[]
}

const LAST = 3

interface Tally {
  item: NeedleItem
  bought: number
  inMachines: number
  partUsed: number
  sharps: number
  lost: number
  touches: Touch[]
}

/** Needles of one kind, wherever they are. Order of the answer: what is short first, then by name. */
export function reconcileNeedles(moves: readonly StockMove[], books: readonly NeedleBook[]): NeedleBalance[] {
  const tallies = new Map<string, Tally>()
  const tally = (item: NeedleItem): Tally => {
    const key = itemKey(item)
    let found = tallies.get(key)
    if (!found) {
      found = { item, bought: 0, inMachines: 0, partUsed: 0, sharps: 0, lost: 0, touches: [] }
      tallies.set(key, found)
    }
    return found
  }
  const fitted: NeedleFitted[] = []
  for (const book of books) followBook(book, tally, fitted)

  const needleMoves = moves.filter((move): move is StockMove & { item: NeedleItem } => move.item.kind === 'needle')
  const shelves = new Map(onHand(needleMoves, fitted).map((shelf) => [itemKey(shelf.item), shelf]))
  for (const move of needleMoves) tally(move.item)
  const movesOf = byKey(needleMoves)
  const fittedOf = byKey(fitted)

  return [...tallies]
    .map(([key, found]): NeedleBalance => {
      const own = [...(movesOf.get(key) ?? [])].sort(inOrderOfShelf)
      const newOnes = fittedOf.get(key) ?? []
      const opening = openingOf(own)
      const from = own[0]?.happenedAt
      // Needles fitted before the shelf was first written about were bought before that, too.
      const before = newOnes.filter(({ happenedAt }) => from === undefined || happenedAt <= from).length
      const received = own.filter(({ kind }) => kind === 'received').reduce((sum, { count }) => sum + count, 0)
      const adjusted = own.filter(({ kind }) => kind === 'adjusted').reduce((sum, { count }) => sum + count, 0)
      const bought = opening + received + before + found.bought
      const inStock = shelves.get(key)?.count ?? 0
      const { inMachines, partUsed, sharps, lost } = found
      return {
        item: found.item,
        bought,
        inStock,
        inMachines,
        partUsed,
        sharps,
        lost,
        adjusted,
        short: bought + adjusted - inStock - inMachines - partUsed - sharps - lost,
        last: found.touches.sort((a, b) => (a.happenedAt < b.happenedAt ? 1 : -1)).slice(0, LAST),
      }
    })
    .sort((a, b) => b.short - a.short || (itemKey(a.item) < itemKey(b.item) ? -1 : 1))
}

/** What lay there when somebody first counted, before anything was received. */
const openingOf = (moves: readonly StockMove[]): number => (moves[0]?.kind === 'counted' ? moves[0].count : 0)

/** Follows one machine's needles from hand to hand. */
function followBook({ machineId, events }: NeedleBook, tally: (item: NeedleItem) => Tally, fitted: NeedleFitted[]) {
  let inside: NeedleItem | undefined
  /** a needle that broke here and whose pieces are not all found */
  let inPieces: NeedleItem | undefined
  let brokeAt: string | undefined
  const breaks = (item: NeedleItem, piecesFound: boolean | undefined, at: string) => {
    const broken = tally(item)
    brokeAt = at
    if (piecesFound) broken.sharps += 1
    else {
      broken.lost += 1
      inPieces = item
    }
  }
  for (const { event, happening } of applyCorrections(events)) {
    const touch = (item: NeedleItem) =>
      tally(item).touches.push({ machineId, personId: event.personId, happenedAt: event.happenedAt })
    if (happening?.kind === 'needle-changed') {
      const { out, in: needle } = happening.body
      if (inside) {
        const leaving = tally(inside)
        leaving.inMachines -= 1
        touch(inside)
        // Without a word about where it went it is short from here on.
        if (out && isBroken(out)) breaks(inside, out.piecesFound, event.happenedAt)
        else if (out?.wentTo === 'sharps') leaving.sharps += 1
        else if (out?.wentTo === 'part-used') leaving.partUsed += 1
        else if (out?.wentTo === 'lost') leaving.lost += 1
        inside = undefined
      }
      if (needle) {
        inside = needleItem(needle)
        const coming = tally(inside)
        coming.inMachines += 1
        touch(inside)
        if (needle.condition === 'new') fitted.push({ item: inside, happenedAt: event.happenedAt })
        else if (needle.condition === 'part-used' && coming.partUsed > 0) coming.partUsed -= 1
        // It was there before its book began.
        else coming.bought += 1
      }
    }
    const broke =
      happening?.kind === 'needle-broke' ||
      (happening?.kind === 'fault-run' && reportsBreak(happening.body, event, brokeAt))
    if (broke && inside) {
      tally(inside).inMachines -= 1
      touch(inside)
      breaks(inside, happening.kind === 'needle-broke' && happening.body.piecesFound, event.happenedAt)
      inside = undefined
    }
    if (happening?.kind === 'pieces-found' && inPieces) {
      const whole = tally(inPieces)
      whole.lost -= 1
      whole.sharps += 1
      inPieces = undefined
    }
  }
}

/** New needles that these books say went into machines: what a shelf has to do without. */
export function needlesFitted(books: readonly NeedleBook[]): NeedleFitted[] {
  return books.flatMap(({ events }) =>
    applyCorrections(events).flatMap(({ event, happening }) =>
      happening?.kind === 'needle-changed' && happening.body.in?.condition === 'new'
        ? [{ item: needleItem(happening.body.in), happenedAt: event.happenedAt }]
        : [],
    ),
  )
}
