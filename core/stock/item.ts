import Type, { type Static } from 'typebox'
import { POINTS } from '../knowledge/needle'
import { plain } from '../knowledge/rule'
import { Above0, FibreWord, FootWord, PointWord, SizeWord, strict, Tex, UseWord } from '../schema/vocabulary'
import { sizeText } from '../units/needle-size'

const Needle = strict({
  kind: Type.Literal('needle'),
  point: PointWord,
  sizeNm: SizeWord,
  gapMm: Type.Optional(Above0),
})
const Thread = strict({ kind: Type.Literal('thread'), tex: Tex, fibre: FibreWord, use: UseWord })
const Bobbin = strict({ kind: Type.Literal('bobbin'), bobbinClass: Type.String({ minLength: 1, maxLength: 40 }) })
const Foot = strict({ kind: Type.Literal('foot'), foot: FootWord })

/** What a shelf holds: needles by point and size, spools by thread, empty bobbins by class, feet by kind. */
export const StockItemSchema = Type.Union([Needle, Thread, Bobbin, Foot])
export type StockItem = Static<typeof StockItemSchema>
export const STOCK_KINDS = ['needle', 'thread', 'bobbin', 'foot'] as const satisfies readonly StockItem['kind'][]

/** The same text for the same item, whoever wrote it down. */
export function itemKey(item: StockItem): string {
  switch (item.kind) {
    case 'needle':
      return ['needle', item.point, item.sizeNm, item.gapMm ?? ''].join(':')
    case 'thread':
      return ['thread', item.tex, item.fibre, item.use].join(':')
    case 'bobbin':
      return ['bobbin', item.bobbinClass.trim().toLowerCase()].join(':')
    case 'foot':
      return ['foot', item.foot].join(':')
  }
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

export function itemWords(item: StockItem): string {
  switch (item.kind) {
    case 'needle':
      return `${POINTS[item.point].words} ${sizeText(item.sizeNm)}${item.gapMm ? `, ${plain(item.gapMm)} mm apart` : ''}`
    case 'thread':
      return `${item.use.replaceAll('-', ' ')} ${item.fibre}, ${plain(item.tex)} tex`
    case 'bobbin':
      return `bobbins of class ${item.bobbinClass}`
    case 'foot':
      return `${item.foot.replaceAll('-', ' ')} foot`
  }
}
