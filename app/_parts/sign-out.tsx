'use client'

import { LogOut } from 'lucide-react'
import { forgetPages } from '@/ui/offline/kept'
import { putDown } from './tablet-watch'

/** @param onTablet somebody puts a tablet of the room down */
export function SignOut({ onTablet = false }: { onTablet?: boolean }) {
  const leave = async () => {
    if (onTablet) return putDown()
    const ended = fetch('/api/sign-in/sign-out', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    })
    // Neither waits for the other: whatever the device does, the sign-in is ended.
    await Promise.allSettled([ended, forgetPages()])
    window.location.assign('/sign-in')
  }
  return (
    <button type="button" className="btn btn-ghost min-h-11" onClick={() => void leave()}>
      <LogOut className="size-4" aria-hidden="true" />{' '}
      <span className={onTablet ? '' : 'max-2xl:sr-only'}>{onTablet ? 'Put down' : 'Sign out'}</span>
    </button>
  )
}
