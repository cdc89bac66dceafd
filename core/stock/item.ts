import type { Static } from 'typebox'
import { isHousehold, POINTS, systemKey, systemName, systemWords } from '../knowledge/needle/needle'
import { named, plain, spaced } from '../units/words'
import { sizeText } from '../units/needle-size'
import type { StockItemSchema } from './item-schema'

/** What a shelf holds: needles by system, point and size, spools by thread, empty bobbins by class, feet by kind. */
export type StockItem = Static<typeof StockItemSchema>
export type NeedleItem = Extract<StockItem, { kind: 'needle' }>
export const STOCK_KINDS = ['needle', 'thread', 'bobbin', 'foot'] as const satisfies readonly StockItem['kind'][]

/** The same text for the same item, whoever wrote it down. */
export function itemKey(item: StockItem): string {
  switch (item.kind) {
    case 'needle':
      // Household needles keep the key that their labels were printed with before any other system lay here.
      return [
        'needle',
        ...(isHousehold(item.system) ? [] : [systemKey(item.system)]),
        item.point,
        item.sizeNm,
        item.gapMm ?? '',
      ].join(':')
    case 'thread':
      return ['thread', item.tex, item.fibre, item.use].join(':')
    case 'bobbin':
      return ['bobbin', item.bobbinClass.trim().toLowerCase()].join(':')
    case 'foot':
      return ['foot', item.foot].join(':')
  }
}

/** What tells of items, by their key; each key in order of its first mention, its lines in theirs. */
export function byKey<Line extends { readonly item: StockItem }>(lines: readonly Line[]): ReadonlyMap<string, Line[]> {
  const found = new Map<string, Line[]>()
  for (const line of lines) {
    const key = itemKey(line.item)
    const own = found.get(key)
    if (own) own.push(line)
    else found.set(key, [line])
  }
  return found
}

/**
 * The item as a shelf has it: a twin needle of a certain gap may lie among those whose gap nobody wrote down.
 * @param shelves keys of everything that is kept
 */
export function asShelved(item: StockItem, shelves: ReadonlySet<string>): StockItem {
  if (item.kind !== 'needle' || item.gapMm === undefined || shelves.has(itemKey(item))) return item
  const { gapMm: _, ...plain } = item
  return shelves.has(itemKey(plain)) ? plain : item
}

/** The needle of a kit or of a machine's book as a shelf holds it. */
export const needleItem = ({ system, point, sizeNm, gapMm }: Omit<NeedleItem, 'kind'>): NeedleItem => ({
  kind: 'needle',
  system: systemName(system),
  point,
  sizeNm,
  ...(gapMm !== undefined && { gapMm }),
})

/** @param sayHousehold also say the household system, where a room has another besides */
export function itemWords(item: StockItem, sayHousehold = false): string {
  switch (item.kind) {
    case 'needle':
      return `${POINTS[item.point].words} ${sizeText(item.sizeNm)}${item.gapMm ? `, ${plain(item.gapMm)} mm apart` : ''}${systemWords(item.system, sayHousehold)}`
    case 'thread':
      return `${spaced(item.use)} ${named(item.fibre)}, ${plain(item.tex)} tex`
    case 'bobbin':
      return `bobbins of class ${item.bobbinClass}`
    case 'foot':
      return `${spaced(item.foot)} foot`
  }
}

/** Whether shelves hold needles of more than one system, so that each says its own. */
export const manySystems = (items: readonly StockItem[]): boolean =>
  new Set(items.flatMap((item) => (item.kind === 'needle' ? [systemKey(item.system)] : []))).size > 1
