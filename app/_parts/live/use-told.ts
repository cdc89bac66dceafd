'use client'

import { useCallback, useEffect, useState, useSyncExternalStore } from 'react'
import type { EventAsk } from '@/core/wire/asks'
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

/** The time, told every few seconds, for what is said of waiting. */
export function useNow(everyMs = 5_000): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs)
    return () => clearInterval(timer)
  }, [everyMs])
  return now
}
