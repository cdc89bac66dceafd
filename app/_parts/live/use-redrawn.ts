'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef } from 'react'
import { theLine } from './line'

/** What changes again and again is drawn anew no oftener than this, ms: the first news at once, what comes with it together. */
const PAUSE_MS = 4_000

/**
 * Draws the page anew by what the server tells, and keeps what is typed in it. From a server of another build it would be loaded
 * whole: then it stays as it is, and says so itself.
 */
export function useRedraw(): () => void {
  const router = useRouter()
  return useCallback(() => {
    if (!theLine().isRenewed()) router.refresh()
  }, [router])
}

/**
 * Draws the page anew when the server says that what it shows is another by now, and once only for each news: a page that cannot be
 * drawn just now is not asked for without end.
 * @param version what the server says it is; undefined while it has said nothing
 * @param drawn what the page was drawn of
 * @param waits whether whoever looks at it is in the middle of something
 */
export function useRedrawn(version: string | undefined, drawn: string, waits = false): void {
  const redraw = useRedraw()
  const asked = useRef<string>(undefined)
  const last = useRef(-PAUSE_MS)
  useEffect(() => {
    if (version === undefined || version === drawn || version === asked.current || waits) return
    const draw = () => {
      asked.current = version
      last.current = performance.now()
      redraw()
    }
    const pause = last.current + PAUSE_MS - performance.now()
    if (pause <= 0) return draw()
    const timer = setTimeout(draw, pause)
    return () => clearTimeout(timer)
  }, [version, drawn, waits, redraw])
}
