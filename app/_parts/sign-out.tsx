'use client'

import { LogOut } from 'lucide-react'

export function SignOut() {
  const leave = async () => {
    await fetch('/api/sign-in/sign-out', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{}',
    })
    window.location.assign('/sign-in')
  }
  return (
    <button type="button" className="btn btn-ghost min-h-11" onClick={() => void leave()}>
      <LogOut className="size-4" aria-hidden="true" /> <span className="max-2xl:sr-only">Sign out</span>
    </button>
  )
}
