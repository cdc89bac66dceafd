import { MACHINE_COLUMNS, readMachineRows } from '@/core/exchange/machine-rows'
import { readSheet } from '@/core/exchange/sheet-text'
import { TRAIT_NAMES } from '@/core/knowledge/machine/trait'
import { answerTo } from '../../../_server/asked'

/** Half a million characters, each of up to four bytes. */
const mostBytes = 2_000_000

/** Reads a sheet of machines: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = answerTo(
  'read-machine-sheet',
  { may: 'import-machines', writes: true, mostBytes },
  ({ body: { text } }) => {
    return readMachineRows(readSheet(text, [...MACHINE_COLUMNS, ...TRAIT_NAMES]))
  },
)
