import Type from 'typebox'
import { KIT_COLUMNS, PROJECT_COLUMNS, readProjectRows } from '@/core/exchange/project-rows'
import { alreadyHere } from '@/core/exchange/already-here'
import { readSheet } from '@/core/exchange/sheet-text'
import { check } from '@/core/schema/validate'
import { strict } from '@/core/schema/shape'
import { readProjects } from '@/store/project/projects'
import { readJson } from '../../../_server/answer'
import { theStore } from '../../../_server/store'
import { route } from '../../../_server/asked'

const SheetSchema = strict({
  text: Type.String({ minLength: 1, maxLength: 500_000 }),
  /** the class that it is for: lines that hang there already are told apart */
  courseId: Type.Optional(Type.String({ format: 'uuid' })),
})
/** Half a million characters, each of up to four bytes. */
const MOST_BYTES = 2_000_000

/** Reads a pasted or uploaded sheet of projects: the good lines, and the bad ones with their reasons. Writes nothing. */
export const POST = route({ may: 'add-projects', writes: true }, async ({ actor, request }) => {
  const { text, courseId } = check(SheetSchema, await readJson(request, MOST_BYTES))
  const rows = readProjectRows(readSheet(text, [...PROJECT_COLUMNS, ...KIT_COLUMNS]))
  const hanging = courseId ? await readProjects(theStore(), actor.siteId, { courseId }) : []
  return { ...rows, here: rows.good.map((row) => alreadyHere(row, hanging)) }
})
