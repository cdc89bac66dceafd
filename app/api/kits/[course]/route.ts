import { writeSheet } from '@/core/exchange/sheet-text'
import { KIT_COLUMNS, PROJECT_COLUMNS, projectCells } from '@/core/exchange/project-rows'
import { plain } from '@/core/units/words'
import { readKitsFile } from '@/store/project/kits-file'
import { notFound, Refused } from '@/store/refused'
import { needleWords, stitchWords, threadWords } from '@/ui/words'
import { asDownload, isId } from '../../../_server/answer'
import { storeOf } from '../../../_server/store'
import { route } from '../../../_server/asked'

/** A class's projects and kits to take away: `?form=json` comes back without loss, `?form=csv` opens in a spreadsheet. */
export const GET = route<{ course: string }>({ may: 'see-kits' }, async ({ actor, params, query }) => {
  const { course } = params
  if (!isId(course)) throw notFound('class', 'course')
  const file = await readKitsFile(storeOf(actor.siteId), actor.siteId, course)
  const form = query.get('form') ?? 'json'
  const name = `kits-${file.course.classCode}`
  if (form === 'json') return asDownload(`${name}.json`, 'application/json', JSON.stringify(file, null, 2))
  if (form !== 'csv') throw new Refused(400, 'invalid', '"form" must be one of json, csv', 'form')
  const rows = file.projects.map(({ learner, given, ...project }) => {
    const last = given.at(-1)
    const { kit } = last ?? {}
    const cells = kit && [
      last!.machine.name,
      needleWords(kit.needle),
      threadWords(kit.topThread),
      threadWords(kit.bobbinThread),
      kit.foot,
      kit.footPressure,
      stitchWords(kit.stitch),
      kit.dial.setting === undefined ? '' : plain(kit.dial.setting),
      kit.verdict,
    ]
    return [...projectCells({ ...project, learner: learner.name }), ...(cells ?? KIT_COLUMNS.map(() => ''))]
  })
  const csv = writeSheet([...PROJECT_COLUMNS, ...KIT_COLUMNS], rows)
  return asDownload(`${name}.csv`, 'text/csv; charset=utf-8', csv)
})
