import 'server-only'
import { ownCosts, SEAM_KINDS, seamsTook } from '@/core/session/seams-took'
import { planningNumbers } from '@/core/session/planning-numbers'
import { asPlanSeat } from '@/core/session/seat'
import { sheetFigures } from '@/core/session/sheet'
import { askedNow, type WholeSession } from './session-facts'
import { readEveningBooks } from './evening-books'

/** What the changeovers of a session took by the books, and what they say a change costs here. */
export async function readSeams(siteId: string, known: WholeSession, now: Date) {
  const { session, facts, kept } = known
  const seats = (kept?.plan.seats ?? []).map(asPlanSeat)
  const changes = [...sheetFigures(askedNow(known, now).question, seats).changes.values()]
  const linesOf = await readEveningBooks(
    siteId,
    session,
    changes.map(({ machine }) => machine),
    SEAM_KINDS,
  )
  const seams = seamsTook(
    changes,
    linesOf,
    (block) => new Date(session.startsAt.getTime() + (block - 1) * facts.blockMinutes * 60_000),
  )
  const nameOf = new Map(facts.machines.map(({ machineId, name }) => [machineId, name]))
  return {
    seams: seams.map((seam) => ({ ...seam, name: nameOf.get(seam.machineId) ?? '' })),
    own: ownCosts(seams, planningNumbers(facts.room.rules.numbers).costs),
  }
}
