'use client'

import { useEffect, useState } from 'react'

/** So long a page may be on its way before whoever tapped is told that it is. */
const SAID_AFTER_MS = 800
/** So long it is waited for as a part of this one; then it is asked for as a whole, which is answered from this device if need be. */
const PATIENCE_MS = 8_000

/**
 * A link that was tapped shows what it was tapped for, or says that it cannot: where the network carries nothing, a page is on its way
 * for as long as the browser likes, and nothing tells.
 */
export function Going() {
  const [said, setSaid] = useState(false)
  useEffect(() => {
    let timers: ReturnType<typeof setTimeout>[] = []
    const settle = () => {
      for (const timer of timers) clearTimeout(timer)
      timers = []
      setSaid(false)
    }
    const tapped = (click: MouseEvent) => {
      const link = click.target instanceof Element ? click.target.closest('a') : null
      // What the browser itself follows it also says itself.
      if (!link || !click.defaultPrevented || link.origin !== window.location.origin) return
      const from = window.location.href
      settle()
      // The way home may lead back to where one is: nothing would tell that it has been gone.
      if (link.href === from || link.pathname === '/') return
      const isThere = () => window.location.href !== from
      const look = setInterval(() => isThere() && settle(), 100)
      timers = [
        look,
        setTimeout(() => setSaid(true), SAID_AFTER_MS),
        setTimeout(() => {
          if (!isThere()) window.location.assign(link.href)
        }, PATIENCE_MS),
      ]
    }
    window.addEventListener('click', tapped)
    return () => {
      window.removeEventListener('click', tapped)
      settle()
    }
  }, [])
  return (
    <div role="status" className="pointer-events-none fixed inset-x-0 bottom-5 z-50 flex justify-center print:hidden">
      {said && <p className="sheet px-5 py-2 shadow-lg">The page is on its way</p>}
    </div>
  )
}
