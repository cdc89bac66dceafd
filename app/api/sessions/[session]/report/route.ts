import Papa from 'papaparse'
import { dayIn } from '@/core/units/day'
import { notFound } from '@/store/refused'
import { readSessions } from '@/store/session/sessions'
import { asDownload, isId } from '../../../../_server/answer'
import { siteOf } from '../../../../_server/site'
import { route } from '../../../../_server/asked'
import { readReport } from '../../../../_server/report'
import { storeOf } from '../../../../_server/store'

/** What became of a session, by its books: a line for each place, in the order of blocks and machines. */
export const GET = route<{ session: string }>({ may: 'see-sessions' }, async ({ actor, params }) => {
  const { session: sessionId } = params
  const [session] = isId(sessionId) ? await readSessions(storeOf(actor.siteId), actor.siteId, { sessionId }) : []
  if (!session) throw notFound('session', 'session')
  const report = await readReport(actor.siteId, session)
  const rows = report.map((row) => ({
    block: row.block,
    machine: row.machine,
    learner: row.learner,
    project: row.project,
    turn: row.turn ?? '',
    seatCheck: row.checked ? 'yes' : 'no',
    swatches: row.swatches,
    balanced: row.balanced === undefined ? '' : row.balanced ? 'yes' : 'no',
    needlesChanged: row.needlesChanged,
    calls: row.calls,
    longestWaitMinutes: row.waitedMinutes,
    // What came later stands last: nobody's own sheet of earlier evenings is upset.
    came: row.came ? 'yes' : 'no',
  }))
  return asDownload(
    `session-report-${dayIn(session.startsAt, (await siteOf(actor.siteId)).timeZone)}.csv`,
    'text/csv; charset=utf-8',
    `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`,
  )
})
