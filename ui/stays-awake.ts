'use client'

import { useEffect } from 'react'

/** Whether this browser can keep the screen on: by https only, and not each of them. */
export const canStayAwake = (): boolean => 'wakeLock' in navigator

/** Keeps the screen on while a page is open that somebody looks at without touching it. A screen that has gone dark shows no call. */
export function useStaysAwake(): void {
  useEffect(() => {
    let held: WakeLockSentinel | undefined
    let over = false
    const hold = () => {
      if (!canStayAwake() || document.visibilityState !== 'visible') return
      // A device that saves its battery refuses; it is asked again when the page comes back.
      navigator.wakeLock.request('screen').then(
        (lock) => (over ? void lock.release() : void (held = lock)),
        () => undefined,
      )
    }
    hold()
    // It is let go of by the browser as soon as the page is out of sight.
    document.addEventListener('visibilitychange', hold)
    return () => {
      over = true
      document.removeEventListener('visibilitychange', hold)
      void held?.release()
    }
  }, [])
}
