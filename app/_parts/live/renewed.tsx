'use client'

import { usePathname } from 'next/navigation'
import { useEffect, useRef } from 'react'
import type { EventAsk } from '@/core/wire/asks'
import { useTold } from './use-told'

/** A copy that is still to be renewed may hand out the page once more: it is not asked for without end. */
const AGAIN_MS = 10 * 60_000
const LOADED = 'orthodex-renewed-at'
const TOUCHES = ['pointerdown', 'keydown', 'input'] as const

/**
 * What becomes of a page over which the server was renewed. What nobody has touched since it was opened, as a screen on a wall, is
 * loaded anew by itself. Whoever has may be in the middle of something: they are told, and it stays as it is until they are ready.
 * @param of what the page watches anyway
 */
export function Renewed({ of }: { of: EventAsk }) {
  const { renewed = false } = useTold(of)
  const path = usePathname()
  const touched = useRef(false)
  useEffect(() => {
    touched.current = false
    const touch = ({ target }: Event) => {
      if (target instanceof Element && target.closest('main, dialog')) touched.current = true
    }
    for (const how of TOUCHES) document.addEventListener(how, touch, true)
    return () => {
      for (const how of TOUCHES) document.removeEventListener(how, touch, true)
    }
  }, [path])
  useEffect(() => {
    if (!renewed || touched.current || Date.now() - Number(sessionStorage.getItem(LOADED)) < AGAIN_MS) return
    sessionStorage.setItem(LOADED, String(Date.now()))
    window.location.reload()
  }, [renewed])
  return (
    <div role="status" className="print:hidden">
      {renewed && (
        <p className="flex flex-wrap items-center justify-center gap-x-4 border-b border-warning bg-base-200 px-4 py-1">
          Orthodex was renewed since this page was opened, and the page no longer follows the room. What you have begun
          in it stays.
          <button type="button" className="btn btn-outline min-h-11" onClick={() => window.location.reload()}>
            Load the page anew
          </button>
        </p>
      )}
    </div>
  )
}
