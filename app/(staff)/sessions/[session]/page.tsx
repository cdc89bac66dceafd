import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { may } from '@/core/wire/permission'
import { POINTS, systemWords } from '@/core/knowledge/needle/needle'
import { openFaults } from '@/core/machine/standing'
import { plain, spaced } from '@/core/units/words'
import type { Kit } from '@/core/kit/request'
import { sizeText } from '@/core/units/needle-size'
import { readPlanHistory, readSessions } from '@/store/session/sessions'
import { readNames } from '@/store/site/site'
import { droppedWords } from '@/ui/kit-words'
import { dayIn } from '@/core/units/day'
import { formatInTimeZone, timeIn } from '@/ui/time'
import { mustSee } from '../../../_server/actor'
import { askedNow, readSessionFacts, sessionPage } from '../../../_server/session-facts'
import { siteOf } from '../../../_server/site'
import { booksOf } from '../../../_server/store'
import { ClassEnd } from './class-end'
import { SessionNav } from './session-nav'
import { RunSheet } from './run-sheet'

export const metadata: Metadata = { title: 'Run sheet' }

/** Kits that were given longer ago than this belong to another session. */
const LATELY_MS = 12 * 3_600_000

const short = (kit: Kit): string =>
  `${POINTS[kit.needle.point].words} ${sizeText(kit.needle.sizeNm)}${systemWords(kit.needle.system)}, ${plain(kit.topThread.tex)} tex, ${spaced(kit.foot)} foot`

export default async function RunSheetPage({ params }: { params: Promise<{ session: string }> }) {
  const actor = await mustSee('see-sessions')
  const session = await sessionPage(actor.siteId, (await params).session)
  const now = new Date()
  const [known, site, names, history, runsNow] = await Promise.all([
    readSessionFacts(actor.siteId, session),
    siteOf(actor.siteId),
    readNames(booksOf(actor.siteId), actor.siteId),
    readPlanHistory(booksOf(actor.siteId), actor.siteId, session.sessionId),
    readSessions(booksOf(actor.siteId), actor.siteId, { from: now, to: now }),
  ])
  const { facts, kept, places } = known
  const asked = askedNow(known, now)
  const number = new Map(places.map(({ machineId, number: each }) => [machineId, each]))
  const starts = Array.from(
    { length: session.blocks + 1 },
    (_, index) => new Date(session.startsAt.getTime() + index * facts.blockMinutes * 60_000),
  )
  const today = dayIn(session.startsAt, site.timeZone) === dayIn(now, site.timeZone)
  const beginsOddly = [
    ...(today ? [] : [`It is on ${formatInTimeZone(session.startsAt, site.timeZone)}, and not today.`]),
    ...runsNow
      .filter(({ sessionId, calledOff }) => sessionId !== session.sessionId && calledOff === undefined)
      .map(({ course }) => `Another session runs now: ${course}.`),
    ...(session.calledOff ? [`It is called off: ${session.calledOff}.`] : []),
  ]
  const begun: Record<number, string[]> = {}
  for (const { projectId, machineId, block } of kept?.plan.seats ?? []) {
    const given = known.given.get(projectId)
    const lately = given && now.getTime() - given.givenAt.getTime() < LATELY_MS
    if (lately && given.machineId === machineId) (begun[block] ??= []).push(given.kitGivenId)
  }
  const running = starts.findLastIndex((start) => start <= now) + 1
  return (
    <>
      <SessionNav session={session} site={site} here="" />
      <RunSheet
        sessionId={session.sessionId}
        planId={kept?.planId ?? null}
        {...(kept && { madeBy: names.get(kept.madeBy) ?? 'somebody' })}
        seats={kept?.plan.seats ?? []}
        leftOut={kept?.plan.leftOut ?? []}
        {...(kept?.plan.proof && { proof: kept.plan.proof })}
        proofHolds={kept?.plan.proof?.asked === asked.digest}
        question={asked.question}
        beginsOddly={beginsOddly}
        ofClass={session.ofClass}
        begun={begun}
        earlier={history.slice(1).map(({ planId, madeAt, madeBy, plan }) => ({
          planId,
          when: formatInTimeZone(madeAt, site.timeZone),
          by: names.get(madeBy) ?? 'somebody',
          seats: plan.seats,
          leftOut: plan.leftOut,
        }))}
        mayPlan={may(actor.role, 'set-plan')}
        mayGive={may(actor.role, 'give-kits')}
        {...(running >= 1 && running <= session.blocks && { running })}
        blocks={starts.slice(0, -1).map((start, index) => ({
          from: timeIn(start, site.timeZone),
          to: timeIn(starts[index + 1]!, site.timeZone),
        }))}
        machines={facts.machines.map(({ machineId, name, state }) => ({
          machineId,
          name,
          number: number.get(machineId)!,
          holds: state.fitting
            ? `${POINTS[state.fitting.needle.point].words} ${sizeText(state.fitting.needle.sizeNm)}`
            : 'no needle known',
          faults: openFaults(state),
          ...(asked.stopped.has(machineId) && { stopped: asked.stopped.get(machineId)! }),
        }))}
        learners={facts.learners.map(({ projectId, learner, name, fromBlock, given }) => ({
          projectId,
          learner,
          what: name,
          ...(fromBlock !== undefined && { fromBlock }),
          kits: Object.fromEntries(
            [...asked.kits.get(projectId)!].map(([machineId, kit]) => [
              machineId,
              {
                words: short(kit),
                ...(kit.cautions.includes('staff-only') && { staff: true as const }),
                needle: kit.needle,
                ...(kit.overrides?.length && {
                  byHand: kit.overrides.map(({ part, because }) => `${part} by hand: ${because}`).join('; '),
                }),
                ...(given?.machineId === machineId && kit.overrides?.length && { given: true as const }),
                ...(kit.dropped && { dropped: kit.dropped.map(droppedWords) }),
              },
            ]),
          ),
          whyNot: Object.fromEntries(asked.whyNot.get(projectId)!),
        }))}
      />
      <ClassEnd>
        <Link className="link print:hidden" href={`/sessions/${session.sessionId}/close`}>
          Close the session: what is still open, in one tap each
        </Link>
      </ClassEnd>
    </>
  )
}
