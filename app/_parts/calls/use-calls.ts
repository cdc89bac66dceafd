'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { ASK_PATHS } from '@/core/wire/ask-paths'
import type { EventOf, ShownCall } from '@/core/wire/asks'

export interface Calls {
  readonly calls: readonly ShownCall[]
  /** whether the server has told anything yet */
  readonly told: boolean
  /** whether the line to the room's server is up */
  readonly live: boolean
  /** how far this device's clock is ahead of the server's, ms */
  readonly aheadMs: number
}

/**
 * Calls as they stand, kept up to date by the server. Only a page that somebody has before them listens: a hidden one would
 * say "seen" of what nobody sees, and a browser has few lines to one server. Coming back, it is told the whole again.
 */
export function useCalls(): Calls {
  const [state, setState] = useState<Calls>({ calls: [], told: false, live: true, aheadMs: 0 })
  const visible = useSyncExternalStore(
    (tell) => {
      document.addEventListener('visibilitychange', tell)
      return () => document.removeEventListener('visibilitychange', tell)
    },
    () => document.visibilityState === 'visible',
    () => false,
  )
  useEffect(() => {
    if (!visible) return
    const source = new EventSource(ASK_PATHS.calls)
    source.onmessage = ({ data }) => {
      const { now, calls } = JSON.parse(data as string) as EventOf<'calls'>
      setState({ calls, told: true, live: true, aheadMs: Date.now() - Date.parse(now) })
    }
    // The browser makes the line again by itself; until then what stands here may be old, and says so.
    source.onerror = () => setState((before) => ({ ...before, live: false }))
    source.onopen = () => setState((before) => ({ ...before, live: true }))
    return () => source.close()
  }, [visible])
  return state
}

/** The time, told every few seconds, for what is said of waiting. */
export function useNow(everyMs = 5_000): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs)
    return () => clearInterval(timer)
  }, [everyMs])
  return now
}
