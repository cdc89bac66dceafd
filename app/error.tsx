'use client'

import { useEffect } from 'react'
import { reach } from '@/ui/reach'

/** Whether the server has its database again is asked this often. */
const LOOK_MS = 5_000
/** A page that cannot be drawn although all is there is asked for more and more seldom. */
const SELDOM_MS = 5 * 60_000

const failed = { at: -Infinity, pauseMs: LOOK_MS }

/** So long after it failed the page is asked for again by itself. */
function pauseAfterFailing(): number {
  const now = performance.now()
  const again = now - failed.at < 2 * failed.pauseMs + LOOK_MS
  failed.pauseMs = again ? Math.min(2 * failed.pauseMs, SELDOM_MS) : LOOK_MS
  failed.at = now
  return failed.pauseMs
}

/** In the place of a page that the server could not draw: it comes by itself as soon as the server and its database are there. */
export default function Failed({ error, retry }: { error: Error; retry: () => void }) {
  useEffect(() => {
    const timer = setInterval(look, pauseAfterFailing())
    function look() {
      void reach('/api/health').then(
        ({ ok }) => {
          if (!ok) return
          clearInterval(timer)
          retry()
        },
        () => undefined,
      )
    }
    return () => clearInterval(timer)
    // Each time that it fails anew it is another error.
  }, [error, retry])
  return (
    <main id="main" className="mx-auto flex min-h-[70dvh] max-w-xl flex-col justify-center gap-4 px-5">
      <h1 className="text-3xl font-bold">This page could not be drawn</h1>
      <p className="text-lg">
        Nothing that was written down is lost. It may be that the database is away for a moment; the page comes by
        itself when it is back.
      </p>
      <p>
        <button type="button" className="btn btn-primary" onClick={retry}>
          Try again
        </button>
      </p>
    </main>
  )
}
