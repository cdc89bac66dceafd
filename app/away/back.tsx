'use client'

import { useEffect } from 'react'

/** The ways on: back to what is here, or the page itself once there is a network. */
export function BackFromAway() {
  useEffect(() => {
    const again = () => window.location.reload()
    window.addEventListener('online', again)
    return () => window.removeEventListener('online', again)
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
