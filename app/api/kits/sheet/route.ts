import { KIT_COLUMNS, PROJECT_COLUMNS, readProjectRows } from '@/core/exchange/project-rows'
import { alreadyHere } from '@/core/exchange/already-here'
import { readSheet } from '@/core/exchange/sheet-text'
import { readProjects } from '@/store/project/projects'
import { storeOf } from '../../../_server/store'
import { answerTo } from '../../../_server/asked'

/** Half a million characters, each of up to four bytes. */
const mostBytes = 2_000_000

/** Reads a pasted or uploaded sheet of projects: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = answerTo(
  'read-kit-sheet',
  { may: 'add-projects', writes: true, mostBytes },
  async ({ actor, body }) => {
    const { text, courseId } = body
    const rows = readProjectRows(readSheet(text, [...PROJECT_COLUMNS, ...KIT_COLUMNS]))
    const hanging = courseId ? await readProjects(storeOf(actor.siteId), actor.siteId, { courseId }) : []
    return { ...rows, here: rows.good.map((row) => alreadyHere(row, hanging)) }
  },
)
