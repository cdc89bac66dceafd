import { FABRIC_NUMBERS } from '../fabric/intake'
import { STRUCTURES, TRAITS_OF_FABRIC } from '../knowledge/cloth/fabric'
import { NAMED_FABRICS } from '../knowledge/cloth/named-fabric'
import { OPERATIONS } from '../knowledge/stitch/stitch'
import { Invalid } from '../schema/invalid'
import { Name, ProjectSchema, type ProjectFacts } from '../kit/project'
import { check } from '../schema/validate'
import { strict } from '../schema/shape'

/** Columns of the sheet in which a class's projects come and go. Only the first four must be there. */
export const PROJECT_COLUMNS = [
  'learner',
  'project',
  'cloth',
  'operation',
  'mass_gsm',
  'thickness_mm',
  'stretch_percent',
  'traits',
  'seam_layers',
  'crossing_layers',
  'seam_m',
  'seam_starts',
] as const
type Column = (typeof PROJECT_COLUMNS)[number]
/** Written out beside a project for people to read; passed over when a sheet is read, since a kit is computed. */
export const KIT_COLUMNS = [
  'kit_machine',
  'kit_needle',
  'kit_thread',
  'kit_bobbin',
  'kit_foot',
  'kit_pressure',
  'kit_stitch',
  'kit_dial',
  'kit_verdict',
] as const
const KNOWN: readonly string[] = [...PROJECT_COLUMNS, ...KIT_COLUMNS]
const NEEDED: readonly Column[] = ['learner', 'project', 'cloth', 'operation']

export interface ProjectRow extends ProjectFacts {
  readonly learner: string
  /** where it stood in what was read, counted from 1 with the heading as line 1 */
  readonly line: number
}

export interface BadRow {
  readonly line: number
  readonly column: string
  readonly because: string
  /** what was there, so that it can be mended */
  readonly cells: readonly string[]
  /** the same as a line to paste again */
  readonly raw: string
}

export interface ReadRows {
  readonly good: readonly ProjectRow[]
  readonly bad: readonly BadRow[]
}

const RowSchema = strict({ learner: Name })
const folded = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_')
const worded = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s_]+/g, '-')

/**
 * Reads a sheet: a heading line, then a project a line. Good lines and bad ones are told apart; one bad line costs no
 * other.
 * @throws Invalid when there is no heading with the columns that are needed
 */
export function readProjectRows(sheet: readonly (readonly string[])[]): ReadRows {
  const [heading = [], ...lines] = sheet
  const columns = heading.map(folded)
  const missing = NEEDED.filter((column) => !columns.includes(column))
  if (missing.length > 0) {
    throw new Invalid(
      'invalid',
      `The first line must name the columns; missing are ${missing.join(', ')}. Known are ${PROJECT_COLUMNS.join(', ')}`,
      'text',
    )
  }
  const unknown = columns.filter((column) => column !== '' && !KNOWN.includes(column))
  if (unknown.length > 0) {
    throw new Invalid(
      'invalid',
      `No such column: ${unknown.join(', ')}. Known are ${PROJECT_COLUMNS.join(', ')}`,
      'text',
    )
  }
  const good: ProjectRow[] = []
  const bad: BadRow[] = []
  lines.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return
    const line = index + 2
    const cell = (column: Column) => cells[columns.indexOf(column)]?.trim() ?? ''
    try {
      good.push({ line, ...readRow(cell) })
    } catch (error) {
      if (!(error instanceof Wrong)) throw error
      bad.push({ line, column: error.column, because: error.message, cells, raw: cells.map(pasted).join('\t') })
    }
  })
  return { good, bad }
}

/** A cell between tabs; one that holds what would part it is put in quotes. */
const pasted = (cell: string): string => (/[\t\n\r"]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell)

class Wrong extends Error {
  constructor(
    readonly column: Column,
    message: string,
  ) {
    super(message)
  }
}

function readRow(cell: (column: Column) => string): Omit<ProjectRow, 'line'> {
  const number = (column: Column, whole = false): number | undefined => {
    // A guess leaves with a ~ before it, and comes back as the guess it is.
    const text = cell(column).replace(/^~\s*/, '').replace(',', '.')
    if (text === '') return undefined
    const value = Number(text)
    if (!Number.isFinite(value) || value < 0 || (whole && !Number.isInteger(value)))
      throw new Wrong(column, `“${cell(column)}” is not ${whole ? 'a whole number' : 'a number'} of 0 or more`)
    return value
  }
  const one = <Word extends string>(column: Column, allowed: readonly Word[]): Word => {
    const word = worded(cell(column))
    const found = allowed.find((each) => each === word)
    if (!found) throw new Wrong(column, `“${cell(column)}” must be one of ${allowed.join(', ')}`)
    return found
  }
  for (const column of NEEDED) if (cell(column) === '') throw new Wrong(column, 'is empty')

  const named = NAMED_FABRICS.find(({ name }) => name === cell('cloth').toLowerCase())
  const structure = named?.structure ?? STRUCTURES.find((each) => each === worded(cell('cloth')))
  if (!structure)
    throw new Wrong(
      'cloth',
      `“${cell('cloth')}” must be a structure (${STRUCTURES.join(', ')}) or a cloth by name (${NAMED_FABRICS.map(({ name }) => name).join(', ')})`,
    )
  const measured = {
    massGsm: number('mass_gsm'),
    thicknessMm: number('thickness_mm'),
    stretchPercent: number('stretch_percent'),
  }
  const words = cell('traits')
    .split(/[;,]|\s{2,}/)
    .map(worded)
    .filter(Boolean)
  const strange = words.find((word) => !TRAITS_OF_FABRIC.some((trait) => trait === word))
  if (strange) throw new Wrong('traits', `“${strange}” must be among ${TRAITS_OF_FABRIC.join(', ')}`)
  const traits = cell('traits') === '' ? named?.traits : (words as NonNullable<typeof named>['traits'])
  // A named cloth lends its middling numbers, and each is kept as the guess it is.
  const borrowed = FABRIC_NUMBERS.filter((field) => measured[field] === undefined && named?.[field] !== undefined)
  const lent = Object.fromEntries(borrowed.map((field) => [field, named![field]]))
  const guessed = FABRIC_NUMBERS.filter(
    (field) =>
      borrowed.includes(field) || (measured[field] !== undefined && cell(COLUMN_OF_NUMBER[field]).startsWith('~')),
  )
  const seam = number('seam_layers', true) ?? 2
  const seamM = number('seam_m')
  const { learner } = checked(RowSchema, { learner: cell('learner') })
  const facts = checked(ProjectSchema, {
    name: cell('project'),
    fabric: {
      structure,
      ...lent,
      ...Object.fromEntries(Object.entries(measured).filter(([, value]) => value !== undefined)),
      ...(traits && { traits }),
      ...(guessed.length > 0 && { guessed }),
    },
    layers: { seam, crossing: number('crossing_layers', true) ?? seam },
    operation: one('operation', OPERATIONS),
    ...(seamM !== undefined && { sewn: { seamM, starts: number('seam_starts', true) ?? 1 } }),
  })
  return { learner, ...facts }
}

const COLUMN_OF_NUMBER: Readonly<Record<(typeof FABRIC_NUMBERS)[number], Column>> = {
  massGsm: 'mass_gsm',
  thicknessMm: 'thickness_mm',
  stretchPercent: 'stretch_percent',
}

/** The column that a field of the schema is written in. */
const COLUMN_OF: Readonly<Record<string, Column>> = {
  learner: 'learner',
  name: 'project',
  fabric: 'mass_gsm',
  'fabric.massGsm': 'mass_gsm',
  'fabric.thicknessMm': 'thickness_mm',
  'fabric.stretchPercent': 'stretch_percent',
  'layers.seam': 'seam_layers',
  'layers.crossing': 'crossing_layers',
  'sewn.seamM': 'seam_m',
  'sewn.starts': 'seam_starts',
}

function checked<Schema extends Parameters<typeof check>[0]>(schema: Schema, value: unknown) {
  try {
    return check(schema, value)
  } catch (error) {
    if (!(error instanceof Invalid)) throw error
    const column = COLUMN_OF[error.path] ?? 'project'
    const what = error.path === 'fabric' ? 'A mass or a thickness must be given' : error.message
    throw new Wrong(column, what)
  }
}

/** A project as a line of the sheet, in the order of `PROJECT_COLUMNS`.. */
export function projectCells(project: ProjectFacts & { readonly learner: string }): string[] {
  const { fabric, layers, sewn } = project
  const known = (field: (typeof FABRIC_NUMBERS)[number]) =>
    fabric[field] === undefined ? '' : `${fabric.guessed?.includes(field) ? '~' : ''}${fabric[field]}`
  const cells: Readonly<Record<Column, string>> = {
    learner: project.learner,
    project: project.name,
    cloth: fabric.structure,
    operation: project.operation,
    mass_gsm: known('massGsm'),
    thickness_mm: known('thicknessMm'),
    stretch_percent: known('stretchPercent'),
    traits: (fabric.traits ?? []).join('; '),
    seam_layers: String(layers.seam),
    crossing_layers: String(layers.crossing),
    seam_m: sewn ? String(sewn.seamM) : '',
    seam_starts: sewn ? String(sewn.starts) : '',
  }
  return PROJECT_COLUMNS.map((column) => cells[column])
}
