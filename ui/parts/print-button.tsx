'use client'

import { Printer } from 'lucide-react'
import { useState } from 'react'

/** Pictures that are still being drawn would come out of the printer as their diagrams. */
const UNDRAWN = '[data-picture]:not([data-drawn])'
const PATIENCE_MS = 30_000
const LOOK_MS = 100

export function PrintButton({ words }: { words: string }) {
  const [waits, setWaits] = useState(false)
  const print = async () => {
    setWaits(true)
    for (let waited = 0; document.querySelector(UNDRAWN) && waited < PATIENCE_MS; waited += LOOK_MS)
      await new Promise((resolve) => setTimeout(resolve, LOOK_MS))
    setWaits(false)
    window.print()
  }
  return (
    <button type="button" className="btn btn-primary btn-lg" disabled={waits} onClick={() => void print()}>
      <Printer className="size-5" aria-hidden="true" /> {waits ? 'Drawing …' : words}
    </button>
  )
}
