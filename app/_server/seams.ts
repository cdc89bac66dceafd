import 'server-only'
import { applyCorrections } from '@/core/machine/fold'
import { ownCosts, SEAM_KINDS, seamsTook } from '@/core/session/seams-took'
import { planningNumbers } from '@/core/session/planning-numbers'
import { asPlanSeat } from '@/core/session/seat'
import { sheetFigures } from '@/core/session/sheet'
import { readNewest } from '@/store/machine/book'
import { askedNow, type WholeSession } from './session-facts'
import { theStore } from './store'

/** More than is written at one machine in an evening. */
const LINES = 80

/** What the changeovers of a session took by the books, and what they say a change costs here. */
export async function readSeams(siteId: string, known: WholeSession, now: Date) {
  const { session, facts, kept } = known
  const seats = (kept?.plan.seats ?? []).map(asPlanSeat)
  const changes = [...sheetFigures(askedNow(known, now).question, seats).changes.values()]
  const books = new Map(
    await Promise.all(
      [...new Set(changes.map(({ machine }) => machine))].map(async (machineId) => {
        const { lines, around } = await readNewest(theStore(), siteId, machineId, { limit: LINES, kinds: SEAM_KINDS })
        const standing = applyCorrections([...lines, ...around]).flatMap(({ event, happening }) =>
          happening ? [{ ...happening, happenedAt: event.happenedAt }] : [],
        )
        return [machineId, standing] as const
      }),
    ),
  )
  const seams = seamsTook(
    changes,
    (machineId) => books.get(machineId) ?? [],
    (block) => new Date(session.startsAt.getTime() + (block - 1) * facts.blockMinutes * 60_000),
  )
  const nameOf = new Map(facts.machines.map(({ machineId, name }) => [machineId, name]))
  return {
    seams: seams.map((seam) => ({ ...seam, name: nameOf.get(seam.machineId) ?? '' })),
    own: ownCosts(seams, planningNumbers(facts.room.rules.numbers).costs),
  }
}
