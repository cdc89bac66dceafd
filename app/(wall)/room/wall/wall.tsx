'use client'

import { Link } from '@/ui/parts/link'
import type { EventOf } from '@/core/wire/asks'
import { timeIn } from '@/ui/time'
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
  return (
    <main id="main" className="min-h-dvh px-6 py-4">
      <header className="mb-4 flex flex-wrap items-baseline gap-x-6">
        <h1 className="text-2xl font-bold">{venue}</h1>
        <p className="numeral ml-auto text-4xl" suppressHydrationWarning>
          {timeIn(new Date(nowMs), timeZone)}
        </p>
        <Link href="/room/now" className="link inline-flex min-h-11 items-center">
          Back to the room
        </Link>
      </header>
      <Renewed of="live-room" />
      <AsOf line={line} />
      <LiveBoard big room={(told ?? first).room} names={names} nowMs={told ? nowMs : Date.parse(first.now)} />
    </main>
  )
}
