'use client'

import { Printer } from 'lucide-react'

export function PrintButton({ words }: { words: string }) {
  return (
    <button type="button" className="btn btn-primary btn-lg" onClick={() => window.print()}>
      <Printer className="size-5" aria-hidden="true" /> {words}
    </button>
  )
}
