'use client'

import { useState } from 'react'
import { passkeysWorkHere, signInByPasskey } from '../_parts/passkey'
import { useListening } from '@/ui/parts/use-listening'

/** For whoever made a passkey; nothing stands here where the browser keeps none for this address. */
export function ByPasskey() {
  const listening = useListening()
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string>()
  if (!listening || !passkeysWorkHere()) return null
  const enter = async () => {
    setBusy(true)
    setFault(undefined)
    const wrong = await signInByPasskey()
    if (!wrong) return window.location.assign('/')
    setFault(wrong)
    setBusy(false)
  }
  return (
    <div className="mt-4 flex flex-col gap-3">
      {fault && (
        <p role="alert" className="border-l-4 border-error py-1 pl-3 text-error">
          {fault}
        </p>
      )}
      <button type="button" className="btn btn-outline btn-lg" disabled={busy} onClick={() => void enter()}>
        {busy ? 'One moment' : 'Sign in with a passkey'}
      </button>
    </div>
  )
}
