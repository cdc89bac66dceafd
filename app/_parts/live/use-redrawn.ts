'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useRef } from 'react'

/** What changes again and again is drawn anew no oftener than this, ms: the first news at once, what comes with it together. */
const PAUSE_MS = 4_000

/**
 * Draws the page anew when the server says that what it shows is another by now, and once only for each news: a page that cannot be
 * drawn just now is not asked for without end.
 * @param version what the server says it is; undefined while it has said nothing
 * @param drawn what the page was drawn of
 * @param waits whether whoever looks at it is in the middle of something
 */
export function useRedrawn(version: string | undefined, drawn: string, waits = false): void {
  const router = useRouter()
  const asked = useRef<string>(undefined)
  const last = useRef(-PAUSE_MS)
  useEffect(() => {
    if (version === undefined || version === drawn || version === asked.current || waits) return
    const draw = () => {
      asked.current = version
      last.current = performance.now()
      router.refresh()
    }
    const pause = last.current + PAUSE_MS - performance.now()
    if (pause <= 0) return draw()
    const timer = setTimeout(draw, pause)
    return () => clearTimeout(timer)
  }, [version, drawn, waits, router])
}
