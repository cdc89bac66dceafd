import 'server-only'
import { sessionNeeds, type Need } from '@/core/session/needs'
import { readPlans, readSessions } from '@/store/session/sessions'
import { asPlanSeat } from '@/core/session/seat'
import { askedNow, readSessionsFacts } from './session-facts'
import { booksOf } from './store'

/** How many planned sessions to come are looked at. */
const MOST_SESSIONS = 12

export interface Promises {
  /** planned sessions to come, in order of time, with what each takes */
  readonly sessions: readonly {
    readonly sessionId: string
    readonly startsAt: Date
    readonly needs: readonly Need[]
  }[]
  readonly planned: number
  /** sessions to come, planned or not */
  readonly coming: number
}

/** What the sessions that are planned take from the shelves. */
export async function promisesOf(siteId: string, now: Date): Promise<Promises> {
  const store = booksOf(siteId)
  const coming = (await readSessions(store, siteId, { from: now })).filter(({ calledOff }) => !calledOff)
  const plans = await readPlans(store, siteId, { sessionIds: coming.map(({ sessionId }) => sessionId) })
  const planned = coming.filter(({ sessionId }) => (plans.get(sessionId)?.plan.seats.length ?? 0) > 0)
  if (planned.length === 0) return { sessions: [], planned: 0, coming: coming.length }
  const whole = await readSessionsFacts(siteId, planned.slice(0, MOST_SESSIONS))
  return {
    planned: planned.length,
    coming: coming.length,
    sessions: whole.map((session) => {
      const { question, kits } = askedNow(session, now)
      const seats = (session.kept?.plan.seats ?? []).map(asPlanSeat)
      const { sessionId, startsAt } = session.session
      return { sessionId, startsAt, needs: sessionNeeds(session.facts, question, kits, seats) }
    }),
  }
}
