import 'server-only'
import { REPORT_KINDS, sessionReport } from '@/core/session/report'
import { readCallsBetween } from '@/store/calls/calls'
import { readEveningBooks } from './evening-books'
import type { WholeSession } from './session-facts'
import { booksOf } from './store'

/** The evening as its books have it, a row for each place of its run sheet, in the order of blocks and machines. */
export async function readReport(siteId: string, { session, facts, kept, places }: WholeSession) {
  const order = facts.machines.map(({ machineId }) => machineId)
  const seats = [...(kept?.plan.seats ?? [])].sort(
    (a, b) => a.block - b.block || order.indexOf(a.machineId) - order.indexOf(b.machineId),
  )
  const [linesOf, calls] = await Promise.all([
    readEveningBooks(
      siteId,
      session,
      seats.map(({ machineId }) => machineId),
      REPORT_KINDS,
    ),
    readCallsBetween(booksOf(siteId), siteId, session.startsAt, session.endsAt),
  ])
  const learner = new Map(facts.learners.map((each) => [each.projectId, each]))
  const rows = sessionReport(session, seats, linesOf, (projectId) => learner.get(projectId)?.personId, calls)
  return rows.map((row) => ({
    ...row,
    machine: facts.machines.find(({ machineId }) => machineId === row.machineId)?.name ?? '',
    number: places.find(({ machineId }) => machineId === row.machineId)?.number,
    learner: learner.get(row.projectId)?.learner ?? '',
    project: learner.get(row.projectId)?.name ?? '',
  }))
}
