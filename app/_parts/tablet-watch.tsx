'use client'

import { useEffect, useState } from 'react'
import { TABLET_AWAKE_MINUTES } from '@/core/people/pin'
import { reachWith } from '@/ui/reach'
import { leave } from './leaving'

const AWAKE_MS = TABLET_AWAKE_MINUTES * 60_000
/** How often touches are told to the server, whose clock decides. */
const TELL_MS = 30_000

/** A tablet that nobody touches falls asleep: what it showed is covered at once, whether the server can be reached or not. */
export function TabletWatch() {
  const [asleep, setAsleep] = useState(false)
  useEffect(() => {
    let touched = Date.now()
    let told = Date.now()
    const touch = () => {
      touched = Date.now()
      if (touched - told < TELL_MS) return
      told = touched
      void reachWith('/api/sign-in/awake', {}).catch(() => undefined)
    }
    const look = setInterval(() => {
      if (Date.now() - touched < AWAKE_MS) return
      setAsleep(true)
      clearInterval(look)
      leave('/tablet')
    }, 1_000)
    const kinds = ['pointerdown', 'keydown', 'scroll'] as const
    for (const kind of kinds) window.addEventListener(kind, touch, { passive: true })
    return () => {
      clearInterval(look)
      for (const kind of kinds) window.removeEventListener(kind, touch)
    }
  }, [])
  if (!asleep) return null
  return (
    <div className="fixed inset-0 z-50 grid place-items-center bg-base-100">
      <a className="btn btn-outline btn-lg" href="/tablet">
        Asleep: take it in hand again
      </a>
    </div>
  )
}
