import Papa from 'papaparse'
import { dayIn } from '@/core/units/day'
import { PART_WORDS, placeKey, sheetFigures } from '@/core/session/sheet'
import { notFound } from '@/store/refused'
import { readSessions } from '@/store/session/sessions'
import { asDownload, isId } from '../../../../_server/answer'
import { asPlanSeat } from '@/core/session/seat'
import { askedNow, readSessionFacts } from '../../../../_server/session-facts'
import { storeOf } from '../../../../_server/store'
import { siteOf } from '../../../../_server/site'
import { route } from '../../../../_server/asked'

/** The run sheet as a table: a line for each seat, in the order of blocks and machines; `?as=json` for JSON. */
export const GET = route<{ session: string }>({ may: 'see-sessions' }, async ({ actor, params, query }) => {
  const { session: sessionId } = params
  const [session] = isId(sessionId) ? await readSessions(storeOf(actor.siteId), actor.siteId, { sessionId }) : []
  if (!session) throw notFound('session', 'session')
  const known = await readSessionFacts(actor.siteId, session)
  const { question, kits } = askedNow(known, new Date())
  const seats = known.kept?.plan.seats ?? []
  const { changes } = sheetFigures(question, seats.map(asPlanSeat))
  const order = known.facts.machines.map(({ machineId }) => machineId)
  const rows = [...seats]
    .sort((a, b) => a.block - b.block || order.indexOf(a.machineId) - order.indexOf(b.machineId))
    .map(({ projectId, machineId, block, pinned }) => {
      const learner = known.facts.learners.find((each) => each.projectId === projectId)
      const kit = kits.get(projectId)?.get(machineId)
      const change = changes.get(placeKey(machineId, block))
      return {
        block,
        machine: known.facts.machines.find((each) => each.machineId === machineId)?.name ?? '',
        learner: learner?.learner ?? '',
        project: learner?.name ?? '',
        needle: kit ? `${kit.needle.point} ${kit.needle.sizeNm}` : '',
        thread: kit ? `${kit.topThread.tex} tex ${kit.topThread.fibre}` : '',
        foot: kit?.foot ?? '',
        dial: kit?.dial.setting ?? '',
        changeoverMinutes: change?.minutes ?? 0,
        changeover: change?.parts.map((part) => PART_WORDS[part]).join(', ') ?? '',
        pinned: pinned ? 'yes' : '',
      }
    })
  const day = dayIn(session.startsAt, (await siteOf(actor.siteId)).timeZone)
  if (query.get('as') === 'json') {
    const file = { startsAt: session.startsAt, blocks: session.blocks, course: session.course, seats: rows }
    return asDownload(`run-sheet-${day}.json`, 'application/json', JSON.stringify(file, undefined, 2))
  }
  return asDownload(
    `run-sheet-${day}.csv`,
    'text/csv; charset=utf-8',
    `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`,
  )
})
