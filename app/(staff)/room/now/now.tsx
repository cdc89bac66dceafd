'use client'

import { Link } from '@/ui/parts/link'
import { useEffect, useRef, useState } from 'react'
import { seatsOf, type LiveSeat } from '@/core/session/live-room'
import { besidesFirst, goingBesides, instructorsRound } from '@/core/session/round'
import type { EventOf } from '@/core/wire/asks'
import { useStaysAwake } from '@/ui/stays-awake'
import { Hearing } from '../../../_parts/calls/hearing'
import type { AtTheirSide } from '../../../_server/at-their-side'
import type { SeatFacts } from '../../../_server/round'
import { AsOf } from '../../../_parts/live/as-of'
import { LiveBoard } from '../../../_parts/live/live-board'
import { useRedraw } from '../../../_parts/live/use-redrawn'
import { useNow, useTold } from '../../../_parts/live/use-told'
import { GoingBesides } from './going-besides'
import { RoundCard, type RoundCardProps } from './round-card'

const NO_FACTS: SeatFacts = { firstHere: false, load: 'ordinary' }

/** Somebody as they are just now: put off so, they come again as soon as they call, are done, or something is wrong with their machine. */
const asOf = ({ projectId, step, call, stopped, faults }: LiveSeat): string =>
  [projectId, step === 'done', call?.callId, stopped, faults?.since].join(' ')

/** Whom to go to next, as one card; under it everybody. Who is put off comes again with the next round. */
export function Now({
  first,
  facts,
  me,
  beside,
  ...doing
}: {
  first: Omit<EventOf<'live-room'>, 'version'>
  facts: Readonly<Record<string, SeatFacts>>
  me: string
  /** of the seat that they are going to */
  beside?: AtTheirSide
} & Pick<RoundCardProps, 'may' | 'school'>) {
  const line = useTold('live-room')
  const { told, aheadMs } = line
  const clock = useNow() - aheadMs
  const nowMs = told ? clock : Date.parse(first.now)
  const { room } = told ?? first
  const seats = seatsOf(room)
  const redraw = useRedraw()
  const [later, setLater] = useState<readonly string[]>([])
  useStaysAwake()

  // Where people and visits changed, what the round is reckoned from has, too.
  const key = seats.map(({ projectId, machineId, call }) => `${projectId} ${machineId} ${call?.callId ?? ''}`).join()
  const drawn = useRef(key)
  useEffect(() => {
    if (drawn.current === key) return
    drawn.current = key
    redraw()
  }, [key, redraw])

  const round = instructorsRound(
    seats,
    ({ projectId }) => facts[projectId] ?? NO_FACTS,
    me,
    new Date(nowMs).toISOString(),
  )
  const mine = round.find(({ seat }) => seat.call?.going?.personId === me)
  const waiting = round.filter(({ seat }) => !later.includes(asOf(seat)))
  const stop = mine ?? waiting[0]
  // Whoever is on the way to somebody is sent to nobody else.
  const away = mine ? undefined : goingBesides(room.besides, me, new Date(nowMs).toISOString())
  const ahead = besidesFirst(room.besides, stop, new Date(nowMs).toISOString())
  return (
    <>
      <div className="mb-4 flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="grow text-3xl font-bold">Now</h1>
        <Hearing />
        <Link href="/room/wall" className="btn btn-outline min-h-11 max-sm:hidden">
          For the wall
        </Link>
      </div>
      <AsOf line={line} />
      {ahead.map(({ callId, about, who, machine }) => (
        <p
          key={callId}
          role="status"
          className={`sheet mb-4 border-l-8 p-5 text-lg ${about === 'hurt' ? 'border-l-error' : 'border-l-secondary'}`}
        >
          First to <strong>{who}</strong>, at {machine?.name ?? 'no machine'}:{' '}
          {about === 'hurt' ? 'somebody is hurt.' : 'they call.'} Say above that you go.
        </p>
      ))}
      {away ? (
        <GoingBesides call={away} />
      ) : stop ? (
        <RoundCard
          key={stop.seat.projectId}
          stop={stop}
          facts={facts[stop.seat.projectId] ?? NO_FACTS}
          going={stop === mine}
          others={waiting.filter((each) => each !== stop).length}
          nowMs={nowMs}
          {...doing}
          {...(stop === mine && beside?.projectId === mine.seat.projectId && { beside })}
          putOff={() => setLater([...later, asOf(stop.seat)])}
        />
      ) : (
        seats.length > 0 &&
        ahead.length === 0 && (
          <p className="sheet mb-6 p-5 text-lg" role="status">
            {round.length > 0 ? 'Whoever waits was put off.' : 'Nobody needs you just now.'}
            {round.length > 0 && (
              <button type="button" className="btn btn-ghost ml-2 min-h-11" onClick={() => setLater([])}>
                Begin the round again
              </button>
            )}
          </p>
        )
      )}
      <LiveBoard room={room} names nowMs={nowMs} />
    </>
  )
}
