'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { AsOf } from './as-of'
import { useTold } from './use-told'

/** A page of the room that is drawn anew whenever the room has changed, and says so when it can no longer know. */
export function FollowRoom() {
  const { told, live, lostAt } = useTold('live-room')
  const router = useRouter()
  const first = useRef(true)
  useEffect(() => {
    if (!told) return
    // What is told first is what was just drawn.
    if (!first.current) router.refresh()
    first.current = false
  }, [told, router])
  return <AsOf live={live} {...(lostAt !== undefined && { lostAt })} />
}
