import Papa from 'papaparse'

/**
 * What a spreadsheet takes for a formula by a cell's first character, whatever follows it, line breaks too. A plain number
 * below nought is none.
 */
const STARTS_FORMULA = /^[=+\-@\t\r\n＝＋－＠]/
const PLAIN_NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/
/** The mark that makes a spreadsheet show a cell as it stands; it goes again when the sheet is read back. */
const AS_TEXT = "'"

const disarmed = (cell: string): string =>
  (STARTS_FORMULA.test(cell) && !PLAIN_NUMBER.test(cell)) || /^'[=+\-@\t\r\n＝＋－＠']/.test(cell)
    ? AS_TEXT + cell
    : cell
const armed = (cell: string): string => (/^'[=+\-@\t\r\n＝＋－＠']/.test(cell) ? cell.slice(1) : cell)

/** A sheet as text: a heading line, then a row a line. No cell of it is run as a formula by whoever opens it. */
export const writeSheet = (heading: readonly string[], rows: readonly (readonly string[])[]): string =>
  Papa.unparse({ fields: [...heading], data: rows.map((row) => row.map(disarmed)) }, { newline: '\r\n' })

const SEPARATORS = [',', '\t', ';', '|'] as const

/**
 * Reads a sheet as people paste it. What parts its cells is told from the heading alone, since cells may hold anything: it is
 * whatever makes most columns of it that are known.
 * @param known columns that a heading may name
 */
export function readSheet(text: string, known: readonly string[]): string[][] {
  const plain = text.replace(/^\uFEFF/, '')
  const [heading = ''] = plain.split(/\r\n|\r|\n/, 1)
  const names = new Set(known.map(folded))
  const hits = (separator: string): number =>
    (Papa.parse<string[]>(heading, { delimiter: separator }).data[0] ?? []).filter((cell) => names.has(folded(cell)))
      .length
  const separator = [...SEPARATORS].sort((a, b) => hits(b) - hits(a))[0]!
  return Papa.parse<string[]>(plain, { delimiter: separator, skipEmptyLines: false }).data.map((row) => row.map(armed))
}

const folded = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s-]+/g, '_')
