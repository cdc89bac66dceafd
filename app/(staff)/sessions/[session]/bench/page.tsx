import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { standingOf } from '@/core/machine/standing'
import { benchList } from '@/core/session/bench-list'
import { PrintButton } from '@/ui/parts/print-button'
import { readSessions } from '@/store/session/sessions'
import { booksOf } from '../../../../_server/store'
import { BenchStops } from '../../../../_parts/bench-stops'
import { mustSee } from '../../../../_server/actor'
import { asPlanSeat } from '@/core/session/seat'
import { leftToDo, walkDone } from '@/core/session/walk-so-far'
import { askedNow, readSessionFacts, sessionPage } from '../../../../_server/session-facts'
import { siteOf } from '../../../../_server/site'
import { SessionNav } from '../session-nav'

export const metadata: Metadata = { title: 'Bench list' }

/** Where no session went before: bobbins wound and things laid out in so many days are for this one. */
const READIED_DAYS = 14

export default async function BenchPage({ params }: { params: Promise<{ session: string }> }) {
  const actor = await mustSee('see-sessions')
  const session = await sessionPage(actor.siteId, (await params).session)
  const [known, site, sessions] = await Promise.all([
    readSessionFacts(actor.siteId, session),
    siteOf(actor.siteId),
    readSessions(booksOf(actor.siteId), actor.siteId, { to: session.startsAt }),
  ])
  const now = new Date()
  const { facts, kept, places } = known
  const { kits } = askedNow(known, now)
  const seats = (kept?.plan.seats ?? []).map(asPlanSeat)
  // What was readied since the session before this one is for this one.
  const before = sessions.filter(({ endsAt, calledOff }) => endsAt <= session.startsAt && !calledOff).at(-1)
  const since = before?.endsAt ?? new Date(session.startsAt.getTime() - READIED_DAYS * 24 * 3_600_000)
  const stops = benchList(facts, seats, kits, session.sessionId, since.toISOString(), now.toISOString())
  const number = new Map(places.map(({ machineId, number: each }) => [machineId, each]))
  const idle = facts.machines.filter(({ machineId }) => !stops.some((stop) => stop.machineId === machineId))
  const walk = stops.map(({ machineId, first, tasks: own }) => {
    const machine = facts.machines.find((each) => each.machineId === machineId)!
    return {
      machineId,
      name: machine.name,
      number: number.get(machineId)!,
      ...standingOf(machine.state, facts.room.rules.needle, now.toISOString()),
      tasks: own,
      bookAt: machine.state.through?.eventId ?? '',
      list: session.sessionId,
      who: first.learner,
      what: first.name,
      projectId: first.projectId,
      traits: machine.traits,
      dialSet: kits.get(first.projectId)?.get(machineId)?.dial.setting ?? machine.traits.tensionDial?.normal,
      bobbins: machine.traits.bobbinClass,
    }
  })
  const tasks = leftToDo(walk)
  return (
    <>
      <SessionNav session={session} site={site} here="/bench" />
      {seats.length === 0 ? (
        <p className="sheet p-6 text-lg">
          What to lay out follows from who sits where.{' '}
          <Link className="link" href={`/sessions/${session.sessionId}`}>
            Plan the session first
          </Link>
          .
        </p>
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-4">
            <p className="grow text-lg" role="status">
              {walkDone(walk, 'this session') ??
                `${tasks} ${tasks === 1 ? 'thing' : 'things'} to do, in walking order. Each tick is a line in the machine’s book.`}
            </p>
            <PrintButton words="Print it" />
          </div>
          <BenchStops walk={walk} />
          {idle.length > 0 && (
            <p className="mt-6">Nobody sits at {idle.map(({ name }) => name).join(', ')} this session.</p>
          )}
        </>
      )}
    </>
  )
}
