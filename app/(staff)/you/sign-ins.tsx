'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { toast } from 'sonner'
import { sendOfSignIn, UNDONE } from '@/ui/of-sign-in'

interface Shown {
  readonly id: string
  readonly words: string
  readonly since: string
  readonly here: boolean
}

/** Where this person is signed in, and the way to end all of it but here. */
export function SignIns({ signIns }: { signIns: readonly Shown[] }) {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const endOthers = async () => {
    setBusy(true)
    const became = await sendOfSignIn('revoke-other-sessions', {})
    setBusy(false)
    if (became === 'done') toast.success('You are signed in here only')
    else toast.error(UNDONE)
    router.refresh()
  }
  return (
    <>
      <h2 className="mt-6 text-xl font-bold">Signed in</h2>
      <ul>
        {signIns.map(({ id, words, since, here }) => (
          <li key={id} className="seam py-2">
            {here ? <strong>Here, on {words}</strong> : `On ${words}`}
            <span className="block text-sm">since {since}</span>
          </li>
        ))}
      </ul>
      {signIns.length > 1 && (
        <button type="button" className="btn btn-outline mt-3" disabled={busy} onClick={() => void endOthers()}>
          Sign out everywhere else
        </button>
      )}
    </>
  )
}
