'use client'

import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import type { EventAsk, EventOf } from '@/core/wire/asks'
import { theLine, type Told } from './line'

const NOTHING: Told<never> = { live: true, aheadMs: 0 }

/** What the server tells of something, kept up to date as long as somebody has the page before them. */
export function useTold<Name extends EventAsk>(name: Name): Told<Name> {
  return useSyncExternalStore(
    useCallback((tell) => theLine().watch(name, tell), [name]),
    () => (theLine().now(name) ?? NOTHING) as Told<Name>,
    () => NOTHING,
  )
}

/**
 * The same on a page that was drawn with it: as drawn until the line tells. A page that was kept for when there is no network is drawn
 * with what once was, which is nothing any more.
 */
export function useToldFrom<Name extends EventAsk>(name: Name, drawn: EventOf<Name>) {
  const line = useTold(name)
  return { ...line, shown: line.told ?? (line.live ? drawn : undefined) }
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
