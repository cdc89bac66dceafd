import Type from 'typebox'
import { MACHINE_COLUMNS, readMachineRows } from '@/core/exchange/machine-rows'
import { readSheet } from '@/core/exchange/sheet-text'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { readJson } from '../../../_server/answer'
import { route } from '../../../_server/asked'

const SheetSchema = strict({ text: Type.String({ minLength: 1, maxLength: 500_000 }) })

/** Half a million characters, each of up to four bytes. */
const MOST_BYTES = 2_000_000

/** Reads a sheet of machines: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = route({ may: 'import-machines', writes: true }, async ({ request }) => {
  const { text } = check(SheetSchema, await readJson(request, MOST_BYTES))
  return readMachineRows(readSheet(text, [...MACHINE_COLUMNS, ...TRAIT_NAMES]))
})
