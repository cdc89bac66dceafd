'use client'

import { useEffect, useState } from 'react'
import { reachWith } from '@/ui/reach'

/** A device that opened the link of a tablet's key becomes that tablet. What stands behind the # is never sent in an address. */
export function Settle() {
  const [said, setSaid] = useState<string>()
  useEffect(() => {
    const secret = window.location.hash.slice(1)
    if (!secret) return
    void reachWith('/api/sign-in/settle', { secret })
      .then(async (answer) => {
        if (answer.ok) window.location.replace('/tablet')
        else setSaid(((await answer.json()) as { message?: string }).message ?? 'That did not work; try again')
      })
      .catch(() => setSaid('The room’s server cannot be reached; open the link again'))
  }, [])
  return (
    <main id="main" className="mx-auto max-w-2xl px-4 py-12">
      <h1 className="text-3xl font-bold">This device is no tablet of a room</h1>
      {said && (
        <p role="alert" className="mt-3 border-l-4 border-error py-1 pl-3 text-error">
          {said}
        </p>
      )}
      <p className="mt-3 text-lg">
        A coordinator makes a key for it under People, and opens the link that is shown there on this device. From then
        on whoever takes it in hand taps their name and four digits.
      </p>
      <p className="mt-4">
        <a className="link" href="/sign-in?password=1">
          Sign in with a password
        </a>
      </p>
    </main>
  )
}
