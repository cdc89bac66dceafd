'use client'

import { useEffect, useState } from 'react'
import { sendOfSignIn } from '@/ui/of-sign-in'
import { forgetPages } from '@/ui/offline/kept'

/** Stands on a device from the moment at which somebody signs out there until it is done: where whoever comes next begins. */
const LEAVING = 'orthodex-leaving'
const AGAIN_MS = 5_000
const COVERED_AFTER_MS = 1_500

/** Ends the sign-in on this device, in every window of it. @param to where whoever comes next begins */
export function leave(to: '/sign-in' | '/tablet'): void {
  localStorage.setItem(LEAVING, to)
  window.dispatchEvent(new Event(LEAVING))
}

/**
 * A sign-in that cannot be ended for want of a network is still there, and whoever sits down next would be somebody else: the device
 * says so, covers what it showed, and goes on trying, also after it was switched off and on.
 */
export function Leaving() {
  const [to, setTo] = useState<string | null>(null)
  const [tries, setTries] = useState(0)
  useEffect(() => {
    const look = () => setTo(localStorage.getItem(LEAVING))
    // Another window of this device begins to leave, or has done it for all of them.
    const beside = ({ key, oldValue, newValue }: StorageEvent) => {
      if (key !== LEAVING) return
      if (newValue === null && oldValue !== null) window.location.assign(oldValue)
      else look()
    }
    look()
    window.addEventListener(LEAVING, look)
    window.addEventListener('storage', beside)
    return () => {
      window.removeEventListener(LEAVING, look)
      window.removeEventListener('storage', beside)
    }
  }, [])
  useEffect(() => {
    if (to === null) return
    let over = false
    let again: ReturnType<typeof setTimeout> | undefined
    const attempt = async () => {
      clearTimeout(again)
      // Neither waits for the other: what the device keeps goes, whether the server can be reached or not.
      const [became] = await Promise.all([sendOfSignIn('sign-out', {}), forgetPages().catch(() => undefined)])
      if (became === 'done') {
        localStorage.removeItem(LEAVING)
        window.location.assign(to)
      } else if (!over) {
        setTries((before) => before + 1)
        again = setTimeout(() => void attempt(), AGAIN_MS)
      }
    }
    const retry = () => void attempt()
    retry()
    // A network that carries nothing refuses nothing: whoever signs out walks off meanwhile.
    const slow = setTimeout(() => setTries((before) => Math.max(1, before)), COVERED_AFTER_MS)
    window.addEventListener('online', retry)
    return () => {
      over = true
      clearTimeout(again)
      clearTimeout(slow)
      window.removeEventListener('online', retry)
    }
  }, [to])
  if (to === null || tries === 0) return null
  return (
    // What lies under it is neither seen nor reached, and no key puts it away.
    <dialog
      ref={(cover) => {
        if (cover && !cover.open) cover.showModal()
      }}
      onClose={({ currentTarget }) => currentTarget.showModal()}
      className="m-0 h-dvh max-h-none w-dvw max-w-none bg-base-100 p-6 text-base-content open:grid open:place-items-center print:hidden"
    >
      <div role="alert" className="max-w-xl space-y-3 text-lg">
        <p className="text-2xl font-bold">You are still signed in on this device</p>
        <p>
          The room’s server cannot be reached, and only it can sign you out. It is asked again every few seconds, and
          this page goes by itself once it has answered. Until then leave the device to nobody else.
        </p>
      </div>
    </dialog>
  )
}
