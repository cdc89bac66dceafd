'use client'

import { AsOf } from './as-of'
import { useRedrawn } from './use-redrawn'
import { useTold } from './use-told'

/**
 * A page of the room that is drawn anew whenever the room has changed, and says so when it can no longer know.
 * @param drawn what the page was drawn of
 */
export function FollowRoom({ drawn }: { drawn: string }) {
  const line = useTold('live-room')
  useRedrawn(line.told?.version, drawn)
  return <AsOf line={line} />
}
