'use client'

import { PenLine } from 'lucide-react'
import dynamic from 'next/dynamic'
import { usePathname } from 'next/navigation'
import { useEffect, useState } from 'react'
import { loadLogDialog } from './load-log-dialog'

const LogDialog = dynamic(() => loadLogDialog().then((part) => part.LogDialog), { ssr: false })

/** From anywhere: a tap or the / key opens the line; at a machine’s pages it speaks of that machine. */
export function LogButton() {
  const [open, setOpen] = useState(false)
  const here = /^\/machines\/([0-9a-f-]{36})/.exec(usePathname())?.[1]
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && event.target.matches('input, textarea, select, [contenteditable]')
      if (event.key !== '/' || typing || event.ctrlKey || event.metaKey || event.altKey) return
      event.preventDefault()
      setOpen(true)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
  return (
    <>
      <button type="button" className="btn btn-outline min-h-11" aria-keyshortcuts="/" onClick={() => setOpen(true)}>
        <PenLine className="size-4" aria-hidden="true" /> <span className="max-sm:sr-only">Log</span>
      </button>
      {open && <LogDialog {...(here && { here })} close={() => setOpen(false)} />}
    </>
  )
}
