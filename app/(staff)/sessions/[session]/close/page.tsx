import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { afterClass, swatchUnread } from '@/core/care/after-class'
import { standingOf } from '@/core/machine/standing'
import { wantsLooking } from '@/core/session/walk-so-far'
import { itemWords } from '@/core/stock/item'
import { reconcileNeedles } from '@/core/stock/reconcile'
import { counted } from '@/core/units/words'
import { may } from '@/core/wire/permission'
import { readSessions } from '@/store/session/sessions'
import { readMoves, readNeedleBooks } from '@/store/stock/stock'
import { PrintButton } from '@/ui/parts/print-button'
import { formatInTimeZone } from '@/ui/time'
import { BenchStops } from '../../../../_parts/bench-stops'
import { mustSee } from '../../../../_server/actor'
import { readSessionFacts, sessionPage } from '../../../../_server/session-facts'
import { siteOf } from '../../../../_server/site'
import { booksOf } from '../../../../_server/store'
import { readReport } from '../../../../_server/report'
import { readSeams } from '../../../../_server/seams'
import { ClassEnd } from '../class-end'
import { SessionNav } from '../session-nav'
import { Seams } from './seams'
import { TellClass } from './tell-class'
import { WhoSewed } from './who-sewed'

export const metadata: Metadata = { title: 'Close the session' }

/** The last minute of an evening: what is still open, each in one tap, and what the class is told for next time. */
export default async function ClosePage({ params }: { params: Promise<{ session: string }> }) {
  const actor = await mustSee('see-sessions')
  const session = await sessionPage(actor.siteId, (await params).session)
  const store = booksOf(actor.siteId)
  const now = new Date()
  const [known, site, moves, books, coming] = await Promise.all([
    readSessionFacts(actor.siteId, session),
    siteOf(actor.siteId),
    readMoves(store, actor.siteId),
    readNeedleBooks(store, actor.siteId),
    readSessions(store, actor.siteId, { courseIds: [session.courseId], from: session.endsAt }),
  ])
  const { facts, places, kept } = known
  const [took, report] = await Promise.all([readSeams(actor.siteId, known, now), readReport(actor.siteId, session)])
  const short = reconcileNeedles(moves, books).filter((balance) => balance.short > 0)
  const sat = new Set(kept?.plan.seats.map(({ machineId }) => machineId))
  // Where nobody has planned, every machine may have been sewn on.
  const used = facts.machines.filter(({ machineId }) => sat.size === 0 || sat.has(machineId))
  const unread = used.filter(({ state }) => swatchUnread(state))
  const next = coming.find(({ calledOff, startsAt }) => calledOff === undefined && startsAt > session.startsAt)
  const number = new Map(places.map(({ machineId, number: each }) => [machineId, each]))
  const stops = used
    .map((machine) => ({
      machineId: machine.machineId,
      name: machine.name,
      number: number.get(machine.machineId)!,
      ...standingOf(machine.state, facts.room.rules.needle, now.toISOString()),
      tasks: afterClass(machine, facts.room.rules, now.toISOString()),
      bookAt: machine.state.through?.eventId ?? '',
      list: `close ${session.sessionId}`,
    }))
    .filter(wantsLooking)
  return (
    <>
      <SessionNav session={session} site={site} here="/close" />
      <div className="flex flex-wrap items-center gap-4">
        <p className="grow text-lg" role="status">
          {stops.length === 0 && short.length === 0
            ? 'Every machine of this session stands as tomorrow needs it, and every needle is accounted for.'
            : [
                ...(short.length > 0 ? ['a needle is missing'] : []),
                ...(stops.length > 0 ? [`${counted(stops.length, 'machine')} still to see to`] : []),
              ]
                .join(', ')
                .replace(/^./, (first) => first.toUpperCase())}
        </p>
        <PrintButton words="Print it" />
        <a className="link print:hidden" href={`/api/sessions/${session.sessionId}/sheet`} download>
          Who sat where (CSV)
        </a>
      </div>
      {short.length > 0 && (
        <section className="sheet mt-4 border-l-8 border-l-error p-4" aria-labelledby="needles-back">
          <h2 id="needles-back" className="text-xl font-bold">
            Needles not back
          </h2>
          <ul>
            {short.map((balance) => (
              <li key={itemWords(balance.item)} className="text-lg">
                <span className="numeral text-2xl">{balance.short}</span> {itemWords(balance.item)}
              </li>
            ))}
          </ul>
          <p>
            Look under the tables first.{' '}
            <Link className="link" href="/stores">
              Who had one last
            </Link>
          </p>
        </section>
      )}
      <BenchStops walk={stops} />
      {unread.length > 0 && (
        <p className="mt-4">
          No swatch was read since something changed at {unread.map(({ name }) => name).join(', ')}: they begin with one
          next time.
        </p>
      )}
      <Seams {...took} rules={site.houseRules} mayChange={may(actor.role, 'change-house-rules')} />
      <WhoSewed rows={report} download={`/api/sessions/${session.sessionId}/report`} />
      <ClassEnd />
      <section className="sheet mt-6 p-4" aria-labelledby="next-time">
        <h2 id="next-time" className="text-xl font-bold">
          For next time
        </h2>
        <p className="text-lg">
          {next
            ? `${session.course}: we meet again on ${formatInTimeZone(next.startsAt, site.timeZone)}.`
            : `${session.course}: no further session is in the calendar yet.`}
        </p>
        {session.saidToClass && <p className="text-lg">{session.saidToClass}</p>}
        {may(actor.role, 'tell-class') && (
          <TellClass
            key={session.saidToClass ?? ''}
            sessionId={session.sessionId}
            {...(session.saidToClass && { said: session.saidToClass })}
          />
        )}
      </section>
    </>
  )
}
