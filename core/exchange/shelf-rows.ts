import { HOUSEHOLD_SYSTEM, systemName } from '../knowledge/needle/needle'
import { Invalid } from '../schema/invalid'
import { From0, strict } from '../schema/shape'
import { check } from '../schema/validate'
import { itemKey, STOCK_KINDS, type StockItem } from '../stock/item'
import { ITEM_SCHEMAS } from '../stock/item-schema'

/** Columns of a sheet of shelves; each kind of thing fills its own. */
export const SHELF_COLUMNS = [
  'kind',
  'count',
  'point',
  'size',
  'system',
  'gap_mm',
  'tex',
  'fibre',
  'use',
  'bobbin_class',
  'foot',
] as const
type Column = (typeof SHELF_COLUMNS)[number]

export interface ShelfRow {
  readonly line: number
  readonly item: StockItem
  readonly count: number
}

export interface BadShelfRow {
  readonly line: number
  readonly column: string
  readonly because: string
  /** the line as it can be pasted again */
  readonly cells: readonly string[]
}

/** A shelf as a line of the sheet, in the order of `SHELF_COLUMNS`. */
export function shelfCells({ item, count }: Omit<ShelfRow, 'line'>): string[] {
  const cells: Partial<Record<Column, string>> = { kind: item.kind, count: String(count), ...cellsOf(item) }
  return SHELF_COLUMNS.map((column) => cells[column] ?? '')
}

function cellsOf(item: StockItem): Partial<Record<Column, string>> {
  switch (item.kind) {
    case 'needle': {
      const { point, sizeNm, system, gapMm } = item
      return { point, size: String(sizeNm), system, ...(gapMm !== undefined && { gap_mm: String(gapMm) }) }
    }
    case 'thread':
      return { tex: String(item.tex), fibre: item.fibre, use: item.use }
    case 'bobbin':
      return { bobbin_class: item.bobbinClass }
    case 'foot':
      return { foot: item.foot }
  }
}

/** Words of a row as the field's rows are named: "all purpose" is all-purpose. */
const word = (cell: string): string => cell.toLowerCase().replaceAll(/\s+/g, '-')
/** A decimal comma is one. An empty cell is no number. */
const number = (cell: string): number | undefined => (cell === '' ? undefined : Number(cell.replace(',', '.')))
/** A needle's size as it stands on its packet, by the first of its two numbers: 80/12 is 80. */
const size = (cell: string): number | undefined => number(cell.split('/')[0]!.trim())

/** The fields of an item by where they stand in the sheet. */
const PLACES: Readonly<Record<string, Column>> = { sizeNm: 'size', gapMm: 'gap_mm', bobbinClass: 'bobbin_class' }

const CountSchema = strict({ count: From0 })

/** What the cells of a kind say, as its schema wants it; a cell that says nothing is not there. */
function said(kind: StockItem['kind'], cell: (column: Column) => string): object {
  switch (kind) {
    case 'needle': {
      const gapMm = number(cell('gap_mm'))
      return {
        kind,
        system: systemName(cell('system') || HOUSEHOLD_SYSTEM.name),
        point: word(cell('point')),
        sizeNm: size(cell('size')),
        ...(gapMm !== undefined && { gapMm }),
      }
    }
    case 'thread':
      return { kind, tex: number(cell('tex')), fibre: word(cell('fibre')), use: word(cell('use')) }
    case 'bobbin':
      return { kind, bobbinClass: cell('bobbin_class') }
    case 'foot':
      return { kind, foot: word(cell('foot')) }
  }
}

function itemIn(cell: (column: Column) => string): StockItem {
  const kind = STOCK_KINDS.find((each) => each === word(cell('kind')))
  if (!kind) throw new Invalid('invalid', `"kind" must be one of ${STOCK_KINDS.join(', ')}`, 'kind')
  return check(ITEM_SCHEMAS[kind], JSON.parse(JSON.stringify(said(kind, cell))))
}

/**
 * Reads a sheet of what lies on the shelves: a heading line, then a shelf a line. Good lines and bad ones are told apart.
 * @throws Invalid when the heading lacks kind or count, or names a column that is none
 */
export function readShelfRows(sheet: readonly (readonly string[])[]): {
  readonly good: readonly ShelfRow[]
  readonly bad: readonly BadShelfRow[]
} {
  const [heading = [], ...lines] = sheet
  const columns = heading.map((cell) =>
    cell
      .trim()
      .toLowerCase()
      .replaceAll(/[\s-]+/g, '_'),
  )
  const unknown = columns.filter((column) => column !== '' && !(SHELF_COLUMNS as readonly string[]).includes(column))
  if (unknown.length > 0)
    throw new Invalid('invalid', `No such column: ${unknown.join(', ')}. Known are ${SHELF_COLUMNS.join(', ')}`, 'text')
  for (const needed of ['kind', 'count'])
    if (!columns.includes(needed))
      throw new Invalid('invalid', `The first line must name the columns; missing is ${needed}`, 'text')
  const good: ShelfRow[] = []
  /** a shelf is counted once */
  const lineOf = new Map<string, number>()
  const bad: BadShelfRow[] = []
  lines.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return
    const line = index + 2
    const cell = (column: Column) => cells[columns.indexOf(column)]?.trim() ?? ''
    try {
      const item = itemIn(cell)
      const before = lineOf.get(itemKey(item))
      if (before !== undefined) throw new Invalid('invalid', `this is the shelf of line ${before} once more`, 'kind')
      const counted = number(cell('count'))
      good.push({ line, item, ...check(CountSchema, counted === undefined ? {} : { count: counted }) })
      lineOf.set(itemKey(item), line)
    } catch (error) {
      if (!(error instanceof Invalid)) throw error
      const { path, what, message } = error
      bad.push({ line, column: PLACES[path] ?? (path || 'kind'), because: what ?? message, cells })
    }
  })
  return { good, bad }
}
