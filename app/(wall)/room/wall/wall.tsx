'use client'

import { Link } from '@/ui/parts/link'
import { seatsOf } from '@/core/session/live-room'
import type { EventOf } from '@/core/wire/asks'
import { useStaysAwake } from '@/ui/stays-awake'
import { timeIn } from '@/ui/time'
import { CallsAloft } from '../../../_parts/calls/calls-aloft'
import { useRings } from '../../../_parts/calls/ring'
import { Hearing } from '../../../_parts/calls/hearing'
import { AsOf } from '../../../_parts/live/as-of'
import { LiveBoard } from '../../../_parts/live/live-board'
import { Renewed } from '../../../_parts/live/renewed'
import { useNow, useTold } from '../../../_parts/live/use-told'

export function Wall({
  venue,
  timeZone,
  names,
  first,
}: {
  venue: string
  timeZone: string
  names: boolean
  first: Omit<EventOf<'live-room'>, 'version'>
}) {
  const line = useTold('live-room')
  const { told, aheadMs } = line
  const nowMs = useNow() - aheadMs
  const { room } = told ?? first
  // At the head those that no seat shows; heard is every one.
  useRings([...room.besides, ...seatsOf(room).flatMap(({ call }) => call ?? [])])
  useStaysAwake()
  return (
    <main id="main" className="min-h-dvh px-6 py-4">
      <header className="mb-4 flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-2xl font-bold">{venue}</h1>
        <p className="numeral ml-auto text-4xl" suppressHydrationWarning>
          {timeIn(new Date(nowMs), timeZone)}
        </p>
        <Hearing />
        <Link href="/room/now" className="link inline-flex min-h-11 items-center">
          Back to the room
        </Link>
      </header>
      <CallsAloft
        calls={room.besides.map(({ callId, about, calledAt, machine, who, going }) => ({
          callId,
          about,
          since: timeIn(new Date(calledAt), timeZone),
          ...(machine && { where: `${machine.name}, no. ${machine.number}` }),
          ...(going && { going: true as const }),
          ...(names && { who, ...(going && { goes: going.by }) }),
        }))}
      />
      <Renewed of="live-room" />
      <AsOf line={line} />
      <LiveBoard big room={room} names={names} nowMs={told ? nowMs : Date.parse(first.now)} />
    </main>
  )
}
