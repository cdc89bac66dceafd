import 'server-only'
import { REPORT_KINDS, sessionReport } from '@/core/session/report'
import { readCallsBetween } from '@/store/calls/calls'
import { readEveningSeats } from '@/store/session/evening-seats'
import type { Session } from '@/store/session/sessions'
import { readEveningBooks } from './evening-books'
import { booksOf } from './store'

/** The evening as its books have it, a row for each place of its run sheet, in the order of blocks and machines. */
export async function readReport(siteId: string, session: Session) {
  const seats = await readEveningSeats(booksOf(siteId), siteId, session)
  const machineIds = [...new Set(seats.map(({ machineId }) => machineId))]
  const [linesOf, calls] = await Promise.all([
    readEveningBooks(siteId, session, machineIds, REPORT_KINDS),
    readCallsBetween(booksOf(siteId), siteId, session.startsAt, session.endsAt),
  ])
  const personOf = new Map(seats.map(({ projectId, personId }) => [projectId, personId]))
  const told = sessionReport(session, seats, linesOf, (projectId) => personOf.get(projectId), calls)
  return told.map((row, index) => {
    const { machine, learner, project } = seats[index]!
    return { ...row, machine, learner, project }
  })
}
