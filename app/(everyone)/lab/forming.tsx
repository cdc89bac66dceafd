'use client'

import { useState } from 'react'
import { MOMENTS, StitchForming } from '@/ui/drawings/stitch-forming'

/** The six moments in which one lockstitch forms, stepped by hand. */
export function Forming() {
  const [moment, setMoment] = useState(0)
  return (
    <section className="sheet p-4" aria-labelledby="forming">
      <h2 id="forming" className="text-xl font-bold">
        How one stitch forms
      </h2>
      <div className="mt-2 grid items-center gap-4 sm:grid-cols-[12rem_1fr]">
        <StitchForming moment={moment} className="w-full" />
        <div aria-live="polite">
          <p className="text-sm">
            {moment + 1} of {MOMENTS.length}
          </p>
          <p className="text-lg font-bold">{MOMENTS[moment]!.title}</p>
          <p>{MOMENTS[moment]!.words}</p>
          <div className="mt-3 flex gap-2">
            <button
              type="button"
              className="btn btn-outline"
              onClick={() => setMoment((moment + MOMENTS.length - 1) % MOMENTS.length)}
            >
              Before
            </button>
            <button type="button" className="btn btn-primary" onClick={() => setMoment((moment + 1) % MOMENTS.length)}>
              Next moment
            </button>
          </div>
        </div>
      </div>
    </section>
  )
}
