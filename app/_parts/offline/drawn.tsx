'use client'

import { useRouter } from 'next/navigation'
import { useNow } from '../live/use-told'

const SAYS_AFTER_MS = 60_000

/** Says how old a page is, once it is more than a minute; nothing before. */
export function Drawn({ at }: { at: string }) {
  const now = useNow(15_000)
  const router = useRouter()
  const minutes = Math.floor((now - Date.parse(at)) / 60_000)
  if (now - Date.parse(at) < SAYS_AFTER_MS) return null
  return (
    <p className="mx-auto mt-6 max-w-7xl px-4 text-sm print:hidden">
      This page is{' '}
      {minutes < 120 ? (minutes === 1 ? 'a minute' : `${minutes} minutes`) : `${Math.floor(minutes / 60)} hours`} old.{' '}
      <button type="button" className="link min-h-11" onClick={() => router.refresh()}>
        Draw it anew
      </button>
    </p>
  )
}
