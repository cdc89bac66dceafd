'use client'

import { useEffect } from 'react'
import { toast } from 'sonner'

/** A tap from before the page listened that could not be done any more is said: whoever tapped believes that it was. */
export function MissedTouch() {
  useEffect(() => {
    const missed = (event: Event) => {
      const name = event instanceof CustomEvent && typeof event.detail === 'string' ? event.detail : ''
      toast.warning(`${name || 'A tap'}: tapped before this page was ready, and not done. Tap it again`)
    }
    window.addEventListener('touch-missed', missed)
    return () => window.removeEventListener('touch-missed', missed)
  }, [])
  return null
}
