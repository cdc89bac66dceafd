'use client'

import { useEffect, useState, useSyncExternalStore } from 'react'
import { ASK_PATHS } from '@/core/wire/ask-paths'
import type { EventAsk, EventOf } from '@/core/wire/asks'

export interface Told<Name extends EventAsk> {
  /** the newest that the server has told; absent: nothing yet */
  readonly told?: EventOf<Name>
  /** whether the line to the room's server is up */
  readonly live: boolean
  /** since when it is not; ms, this device's clock */
  readonly lostAt?: number
  /** how far this device's clock is ahead of the server's, ms */
  readonly aheadMs: number
}

/**
 * What the server tells of a topic, kept up to date. Only a page that somebody has before them listens: a hidden one would
 * say "seen" of what nobody sees, and a browser has few lines to one server. Coming back, it is told the whole again.
 */
export function useTold<Name extends EventAsk>(name: Name): Told<Name> {
  const [state, setState] = useState<Told<Name>>({ live: true, aheadMs: 0 })
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
    const source = new EventSource(ASK_PATHS[name])
    source.onmessage = ({ data }) => {
      const told = JSON.parse(data as string) as EventOf<Name> & { readonly now: string }
      setState({ told, live: true, aheadMs: Date.now() - Date.parse(told.now) })
    }
    // The browser makes the line again by itself; until then what stands here may be old, and says so.
    source.onerror = () => setState((before) => ({ ...before, live: false, lostAt: before.lostAt ?? Date.now() }))
    source.onopen = () => setState(({ lostAt: _, ...before }) => ({ ...before, live: true }))
    return () => source.close()
  }, [name, visible])
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
