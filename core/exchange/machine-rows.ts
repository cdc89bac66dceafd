import * as Type from 'typebox'
import { TRAIT_NAMES, TRAITS, type TraitName, type Traits } from '../knowledge/machine/trait'
import { Invalid } from '../schema/invalid'
import { Name } from '../kit/project'
import { check } from '../schema/validate'
import { strict } from '../schema/shape'

/** Columns that come before the traits, each trait being a column of its own name. */
export const MACHINE_COLUMNS = ['name', 'number', 'notes', 'place_x', 'place_y'] as const

export interface MachineRow {
  readonly line: number
  readonly name: string
  readonly number: number
  readonly notes: string
  /** tenths of a metre; absent: any free table */
  readonly place?: { readonly x: number; readonly y: number }
  readonly traits: Traits
}

export interface BadMachineRow {
  readonly line: number
  readonly column: string
  readonly because: string
  /** the line as it can be pasted again */
  readonly cells: readonly string[]
}

const RowSchema = strict({
  name: Name,
  number: Type.Integer({ minimum: 1, maximum: 9999 }),
  notes: Type.String({ maxLength: 500 }),
  place_x: Type.Integer({ minimum: 0, maximum: 400 }),
  place_y: Type.Integer({ minimum: 0, maximum: 400 }),
})

/** A value in one cell: words as they are, several of them between semicolons, and anything else as JSON. */
export const traitCell = (value: unknown): string =>
  typeof value === 'string'
    ? value
    : Array.isArray(value)
      ? value.join('; ')
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : JSON.stringify(value)

/** One machine as a line of the sheet, in the order of `MACHINE_COLUMNS` and then of `TRAIT_NAMES`. */
export const machineCells = (machine: Omit<MachineRow, 'line'>): string[] => [
  machine.name,
  String(machine.number),
  machine.notes,
  machine.place ? String(machine.place.x) : '',
  machine.place ? String(machine.place.y) : '',
  ...TRAIT_NAMES.map((trait) => (machine.traits[trait] === undefined ? '' : traitCell(machine.traits[trait]))),
]

interface FieldKind {
  readonly type?: string
  readonly items?: unknown
}

/** What a cell says, in the shape that its trait wants. */
function readCell(trait: TraitName, text: string): unknown {
  const { type } = TRAITS[trait] as FieldKind
  if (type === 'boolean')
    return text === 'yes' || text === 'true' ? true : text === 'no' || text === 'false' ? false : text
  if (type === 'number' || type === 'integer') return Number(text.replace(',', '.'))
  if (type === 'array')
    return text
      .split(/[;,]/)
      .map((word) => word.trim().toLowerCase())
      .filter(Boolean)
  if (type === 'object') {
    try {
      return JSON.parse(text)
    } catch {
      return text
    }
  }
  return text
}

/**
 * Reads a sheet: a heading line, then a machine a line. Good lines and bad ones are told apart.
 * @throws Invalid when the heading lacks name or number, or names a column that is none
 */
export function readMachineRows(sheet: readonly (readonly string[])[]): {
  readonly good: readonly MachineRow[]
  readonly bad: readonly BadMachineRow[]
} {
  const [heading = [], ...lines] = sheet
  const columns = heading.map((cell) => cell.trim())
  const known: readonly string[] = [...MACHINE_COLUMNS, ...TRAIT_NAMES]
  const unknown = columns.filter((column) => column !== '' && !known.includes(column))
  if (unknown.length > 0) {
    throw new Invalid('invalid', `No such column: ${unknown.join(', ')}. Known are ${known.join(', ')}`, 'text')
  }
  for (const needed of ['name', 'number']) {
    if (!columns.includes(needed)) {
      throw new Invalid('invalid', `The first line must name the columns; missing is ${needed}`, 'text')
    }
  }
  const good: MachineRow[] = []
  const bad: BadMachineRow[] = []
  lines.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return
    const line = index + 2
    const cell = (column: string) => cells[columns.indexOf(column)]?.trim() ?? ''
    let column = 'name'
    try {
      const whole = (name: string) => (cell(name) === '' ? 0 : Number(cell(name)))
      const row = check(RowSchema, {
        name: cell('name'),
        number: Number(cell('number')),
        notes: cell('notes'),
        place_x: whole('place_x'),
        place_y: whole('place_y'),
      })
      const traits: Record<string, unknown> = {}
      for (const trait of TRAIT_NAMES) {
        if (cell(trait) === '') continue
        column = trait
        traits[trait] = check(TRAITS[trait], readCell(trait, cell(trait)))
      }
      const placed = cell('place_x') !== '' && cell('place_y') !== ''
      const { name, number, notes, place_x: x, place_y: y } = row
      good.push({ line, name, number, notes, ...(placed && { place: { x, y } }), traits: traits })
    } catch (error) {
      if (!(error instanceof Invalid)) throw error
      const at = column === 'name' ? error.path || 'name' : column
      bad.push({ line, column: at, because: error.message, cells })
    }
  })
  return { good, bad }
}
