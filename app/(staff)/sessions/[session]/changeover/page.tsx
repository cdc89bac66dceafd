import type { Metadata } from 'next'
import { Link } from '@/ui/parts/link'
import { standingOf } from '@/core/machine/standing'
import { seamList } from '@/core/session/bench-list'
import { blockAt } from '@/core/session/live-room'
import { asPlanSeat } from '@/core/session/seat'
import { placeKey, sheetFigures } from '@/core/session/sheet'
import { counted, plain } from '@/core/units/words'
import { timeIn } from '@/ui/time'
import { BenchStops } from '../../../../_parts/bench-stops'
import { FollowRoom } from '../../../../_parts/live/follow-room'
import { mustSee } from '../../../../_server/actor'
import { askedNow, readSessionFacts, sessionPage } from '../../../../_server/session-facts'
import { readRoomVersion } from '../../../../_server/live-now'
import { siteOf } from '../../../../_server/site'
import { SessionNav } from '../session-nav'

export const metadata: Metadata = { title: 'Changeover' }

type Props = { params: Promise<{ session: string }>; searchParams: Promise<{ block?: string }> }

/** The seam between two blocks: what changes at each machine, by whom, how, and how far the room is with it. */
export default async function ChangeoverPage({ params, searchParams }: Props) {
  const actor = await mustSee('see-sessions')
  const now = new Date()
  // Before all else: what changes while the rest is read is drawn anew, and never missed.
  const version = await readRoomVersion(actor.siteId, now)
  const session = await sessionPage(actor.siteId, (await params).session)
  const [known, site, { block: asked }] = await Promise.all([
    readSessionFacts(actor.siteId, session),
    siteOf(actor.siteId),
    searchParams,
  ])
  const { facts, kept, places } = known
  const { kits, question } = askedNow(known, now)
  const seats = (kept?.plan.seats ?? []).map(asPlanSeat)
  // The seam that comes next, unless another is asked for.
  const coming = now < session.startsAt ? 2 : Math.min(session.blocks, blockAt(session, now) + 1)
  const block = Math.min(session.blocks, Math.max(2, Math.floor(Number(asked)) || coming))
  const stops = seamList(facts, seats, block, now.toISOString())
  const { changes } = sheetFigures(question, seats)
  const number = new Map(places.map(({ machineId, number: each }) => [machineId, each]))
  const ready = stops.filter((stop) => stop.ready).length
  const from = new Date(session.startsAt.getTime() + (block - 1) * facts.blockMinutes * 60_000)
  return (
    <>
      <SessionNav session={session} site={site} here="/changeover" />
      <FollowRoom drawn={version} />
      {session.blocks > 2 && (
        <nav aria-label="Blocks" className="mb-3 flex flex-wrap gap-1">
          {Array.from({ length: session.blocks - 1 }, (_, index) => index + 2).map((each) => (
            <Link
              key={each}
              href={`/sessions/${session.sessionId}/changeover?block=${each}`}
              aria-current={each === block ? 'true' : undefined}
              className={`btn btn-sm min-h-11 ${each === block ? 'btn-neutral' : 'btn-ghost'}`}
            >
              To block {each}
            </Link>
          ))}
        </nav>
      )}
      {stops.length === 0 ? (
        <p className="sheet p-6 text-lg">Nobody sits down in block {block}: there is nothing to change.</p>
      ) : (
        <>
          <p className="text-xl" role="status">
            To block {block}, at {timeIn(from, site.timeZone)}:{' '}
            <strong>
              {ready === stops.length
                ? 'every machine is changed over'
                : `${ready} of ${stops.length} machines changed over`}
            </strong>
          </p>
          <progress
            className="progress progress-primary mt-2 h-3 w-full"
            value={ready}
            max={stops.length}
            aria-label="Machines that are changed over"
          />
          <p className="mt-1 text-sm">
            What is told here is what the machines’ books say. The seat check and the swatch are for whoever comes to
            sit there.
          </p>
          <BenchStops
            walk={stops.map(({ machineId, first, tasks, themselves, ready: done }) => {
              const machine = facts.machines.find((each) => each.machineId === machineId)!
              const planned = changes.get(placeKey(machineId, block))
              const by = themselves ? `${first.learner}, who was signed off for it, or staff` : 'staff'
              const minutes = planned && `, ${counted(Number(plain(planned.minutes)), 'minute')} planned`
              return {
                machineId,
                name: machine.name,
                number: number.get(machineId)!,
                ...standingOf(machine.state, facts.room.rules.needle, now.toISOString()),
                tasks,
                aside: done ? 'changed over' : `by ${by}${minutes ?? ''}`,
                bookAt: machine.state.through?.eventId ?? '',
                list: `${session.sessionId} ${block}`,
                who: first.learner,
                what: first.name,
                projectId: first.projectId,
                traits: machine.traits,
                dialSet: kits.get(first.projectId)?.get(machineId)?.dial.setting ?? machine.traits.tensionDial?.normal,
              }
            })}
          />
        </>
      )}
    </>
  )
}
