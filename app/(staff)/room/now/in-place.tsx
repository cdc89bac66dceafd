'use client'

import { useState, type ReactNode } from 'react'

/** Something that is done where one stands: shut until it is wanted, and made only then. */
export function InPlace({ words, children }: { words: string; children: ReactNode }) {
  const [open, setOpen] = useState(false)
  return (
    <section aria-label={words} className="mt-3">
      <button type="button" className="btn btn-outline min-h-11" aria-expanded={open} onClick={() => setOpen(!open)}>
        {words}
      </button>
      {open && <div className="mt-3">{children}</div>}
    </section>
  )
}
