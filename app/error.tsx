'use client'

import { useEffect } from 'react'
import { reach } from '@/ui/reach'
import { LOOK_MS, pauseAfterFailing } from './_parts/ask-again'

/** Of all pages of this tab: one that fails again is the same page to whoever looks at it. */
const asked = { at: -Infinity, pauseMs: LOOK_MS }

/** In the place of a page that the server could not draw: it comes by itself as soon as the server and its database are there. */
export default function Failed({ error, retry }: { error: Error; retry: () => void }) {
  useEffect(() => {
    asked.pauseMs = pauseAfterFailing(asked.pauseMs, performance.now() - asked.at)
    const timer = setInterval(look, asked.pauseMs)
    function look() {
      void reach('/api/health').then(
        ({ ok }) => {
          if (!ok) return
          clearInterval(timer)
          asked.at = performance.now()
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
