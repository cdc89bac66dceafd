'use client'

import { useEffect } from 'react'
import { reach } from '@/ui/reach'

/** A network that has just come back may carry nothing yet, and nobody says when it does: it is tried this often. */
const LOOK_MS = 5_000

/** The ways on: back to what is here, or the page itself, which comes by itself as soon as the server answers. */
export function BackFromAway() {
  useEffect(() => {
    const look = () =>
      void reach('/livez').then(
        ({ ok }) => ok && window.location.reload(),
        () => undefined,
      )
    const timer = setInterval(look, LOOK_MS)
    window.addEventListener('online', look)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', look)
    }
  }, [])
  return (
    <p className="flex flex-wrap gap-3">
      <button type="button" className="btn btn-primary" onClick={() => window.history.back()}>
        Go back
      </button>
      <button type="button" className="btn btn-outline" onClick={() => window.location.reload()}>
        Try again
      </button>
    </p>
  )
}
