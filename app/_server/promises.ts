import 'server-only'
import { eveningNeeds, type Need } from '@/core/session/needs'
import { readPlans, readSessions } from '@/store/session/sessions'
import { asPlanSeat, askedNow, readEvenings } from './evening'
import { theStore } from './store'

/** How many planned evenings to come are looked at. */
const MOST_EVENINGS = 12

export interface Promises {
  /** planned evenings to come, in order of time, with what each takes */
  readonly evenings: readonly {
    readonly sessionId: string
    readonly startsAt: Date
    readonly needs: readonly Need[]
  }[]
  readonly planned: number
  /** evenings to come, planned or not */
  readonly coming: number
}

/** What the evenings that are planned take from the shelves. */
export async function promisesOf(siteId: string, now: Date): Promise<Promises> {
  const store = theStore()
  const [sessions, plans] = await Promise.all([readSessions(store, siteId, { from: now }), readPlans(store, siteId)])
  const coming = sessions.filter(({ calledOff }) => !calledOff)
  const planned = coming.filter(({ sessionId }) => (plans.get(sessionId)?.plan.seats.length ?? 0) > 0)
  if (planned.length === 0) return { evenings: [], planned: 0, coming: coming.length }
  const evenings = await readEvenings(siteId, planned.slice(0, MOST_EVENINGS))
  return {
    planned: planned.length,
    coming: coming.length,
    evenings: evenings.map((evening) => {
      const { question, kits } = askedNow(evening, now)
      const seats = (evening.kept?.plan.seats ?? []).map(asPlanSeat)
      const { sessionId, startsAt } = evening.session
      return { sessionId, startsAt, needs: eveningNeeds(evening.facts, question, kits, seats) }
    }),
  }
}
