import type { PlannedSession } from '@/core/session/session-plan'
import type { LineOf } from '@/core/wire/asks'
import { sheetFigures } from '@/core/session/sheet'
import { runCommand } from '@/store/commands/run'
import { keepProvedPlan } from '@/store/commands/session'
import { notFound, Refused } from '@/store/refused'
import { addHelp } from '@/store/session/plan-help'
import { readSessions } from '@/store/session/sessions'
import { isId } from '../../../../_server/answer'
import { asPlannedSeat, asPlanSeat } from '@/core/session/seat'
import { askedNow, planRequest, readSessionFacts, type WholeSession } from '../../../../_server/session-facts'
import { linesOfJson } from '../../../../_server/lines'
import { planSessionApart, readySolver } from '../../../../_server/planner'
import { storeOf } from '../../../../_server/store'
import { answerTo } from '../../../../_server/asked'

async function knownOf(siteId: string, sessionId: string) {
  const [session] = isId(sessionId) ? await readSessions(storeOf(siteId), siteId, { sessionId }) : []
  if (!session) throw notFound('session', 'session')
  return readSessionFacts(siteId, session)
}

/** The question as the planner is asked it, and as it is known again by. */
function questionOf(known: WholeSession, now: Date, fromBlock?: number) {
  const { digest, question } = askedNow(known, now)
  return { ask: planRequest(known, now, fromBlock === undefined ? undefined : { block: fromBlock }), digest, question }
}

/** A run sheet is open before somebody who plans: what they may soon ask is gone through once, so that they need not wait for that. */
export const GET = answerTo<'ready-planner', { session: string }>(
  'ready-planner',
  { may: 'set-plan' },
  async ({ actor, params }) => {
    await readySolver(async () => questionOf(await knownOf(actor.siteId, params.session), new Date()).ask)
    return { ready: true }
  },
)

/**
 * Plans a session and keeps the plan. Answers in lines of JSON: each better plan in short as it is found, then `kept`, then how many
 * changes would help. Whoever stops listening stops the thinking, and the best plan so far is kept all the same.
 */
export const POST = answerTo<'plan-session', { session: string }>(
  'plan-session',
  { may: 'set-plan', writes: true },
  async ({ actor, body: { commandId, basedOn, fromBlock }, params }) => {
    const { session: sessionId } = params
    const known = await knownOf(actor.siteId, sessionId)
    if ((known.kept?.planId ?? null) !== basedOn)
      throw new Refused(409, 'changed', 'Somebody changed this plan meanwhile: look at theirs first', 'basedOn')
    const now = new Date()
    const { ask, digest, question } = questionOf(known, now, fromBlock)
    const pinned = new Set(ask.pins.map(({ student, machine, block }) => `${student} ${machine} ${block}`))

    const keep = (plan: PlannedSession) =>
      runCommand(
        storeOf(actor.siteId),
        actor,
        'set-plan',
        {
          commandId,
          body: {
            sessionId,
            basedOn,
            plan: {
              seats: plan.seats.map((seat) =>
                asPlannedSeat(seat, pinned.has(`${seat.student} ${seat.machine} ${seat.block}`)),
              ),
              leftOut: known.facts.leftOut,
            },
          },
        },
        undefined,
        keepProvedPlan({
          changeoverMinutes: plan.changeoverMinutes,
          boundMinutes: plan.boundMinutes,
          optimal: plan.optimal,
          seconds: (Date.now() - now.getTime()) / 1000,
          asked: digest,
          unseated: plan.unseated.map(({ student, because }) => ({ projectId: student, because })),
          help: [...plan.help],
          ...(fromBlock !== undefined && { fromBlock }),
        }),
      )

    /** Stopped early, what was found may be worse than what is kept already; then that stays. */
    const isNoBetter = (plan: PlannedSession): boolean => {
      const seats = (known.kept?.plan.seats ?? []).map(asPlanSeat)
      const { minutes, breaches } = sheetFigures(question, seats)
      const fewer = plan.seats.length < seats.length
      return (
        breaches.length === 0 && (fewer || (plan.seats.length === seats.length && plan.changeoverMinutes >= minutes))
      )
    }
    const short = ({ seats, changeoverMinutes, boundMinutes }: PlannedSession) => ({
      seated: seats.length,
      of: known.facts.learners.length,
      changeoverMinutes,
      boundMinutes,
    })
    return linesOfJson<LineOf<'plan-session'>>(async (say, stop) => {
      let kept: Promise<unknown> | undefined
      const keepAndSay = (plan: PlannedSession) =>
        (kept ??= keep(plan).then(() => say({ kept: commandId, ...short(plan) })))
      const plan = await planSessionApart(
        ask,
        (better, stage) => {
          if (stage === 'better') say({ better: short(better) })
          // What goes wrong with it is said where it is awaited.
          else keepAndSay(better).catch(() => undefined)
        },
        stop,
      )
      if (!plan || (!kept && stop.aborted && isNoBetter(plan))) return
      await keepAndSay(plan)
      if (plan.help.length === 0) return
      await addHelp(storeOf(actor.siteId), actor.siteId, commandId, plan.help)
      say({ help: plan.help.length })
    })
  },
)
