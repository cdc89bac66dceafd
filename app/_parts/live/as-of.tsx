'use client'

import type { Told } from './line'
import { useNow } from './use-told'

/** From so long without a line to the server on, a screen says how old it is. */
const SAYS_AFTER_MS = 60_000

/** Says that a screen is no longer live, and since when; nothing while it is. */
export function AsOf({ live, lostAt }: Pick<Told<'live-room'>, 'live' | 'lostAt'>) {
  const now = useNow()
  if (live || lostAt === undefined) return null
  const minutes = Math.floor((now - lostAt) / 60_000)
  return (
    <p role="status" className="border-l-8 border-warning bg-base-200 px-4 py-2">
      {now - lostAt > SAYS_AFTER_MS
        ? `This is ${minutes === 1 ? 'a minute' : `${minutes} minutes`} old: the line to the room’s server is down, and is being made again.`
        : 'The line to the room’s server is down; it is being made again.'}
    </p>
  )
}
