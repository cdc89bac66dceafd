'use client'

import { useRouter } from 'next/navigation'
import { createContext, use, useCallback, useEffect, useState, useTransition, type ReactNode } from 'react'

/** So long a page may be on its way before whoever tapped is told that it is. */
const SAID_AFTER_MS = 800
/** So long it is waited for as a part of this one; then it is asked for as a whole, which is answered from this device if need be. */
const PATIENCE_MS = 8_000

type Go = (href: string, options?: { readonly scroll?: boolean }) => void

const GoOf = createContext<Go>((href) => window.location.assign(href))

/** The way to another page for what is no link; within {@link Going} it is waited for. */
export const useGo = () => use(GoOf)

/**
 * Whoever goes to another page comes there, or is told why not: where the network carries nothing, a page is on its way for as long
 * as the browser likes, and nothing tells. It stands above all pages, because what was tapped may be gone by then.
 */
export function Going({ children }: { children: ReactNode }) {
  const router = useRouter()
  const [isOnItsWay, startTransition] = useTransition()
  /** one object for each time that somebody goes: a page asked for again is waited for anew */
  const [to, setTo] = useState<{ readonly href: string }>()
  const [said, setSaid] = useState(false)
  const go: Go = useCallback(
    (href, options) => {
      setTo({ href })
      startTransition(() => router.push(href, options))
    },
    [router],
  )
  useEffect(() => {
    if (!isOnItsWay || !to) return
    const timers = [
      setTimeout(() => setSaid(true), SAID_AFTER_MS),
      setTimeout(() => window.location.assign(to.href), PATIENCE_MS),
    ]
    return () => {
      for (const timer of timers) clearTimeout(timer)
      setSaid(false)
    }
  }, [isOnItsWay, to])
  return (
    <GoOf value={go}>
      {children}
      <div
        role="status"
        data-going={isOnItsWay || undefined}
        className="pointer-events-none fixed inset-x-0 bottom-5 z-50 flex justify-center print:hidden"
      >
        {said && <p className="sheet px-5 py-2 shadow-lg">The page is on its way</p>}
      </div>
    </GoOf>
  )
}
