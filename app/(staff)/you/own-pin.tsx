'use client'

import { useState } from 'react'
import { toast } from 'sonner'
import { sendOfSignIn, UNDONE } from '@/ui/of-sign-in'
import { wrongWithPin } from '@/core/people/pin'
import { Text } from '@/ui/fields/text'

/** Four digits by which somebody takes a tablet of the room in hand. */
export function OwnPin({ has }: { has: boolean }) {
  const [password, setPassword] = useState('')
  const [pin, setPin] = useState('')
  const [fault, setFault] = useState<{ readonly at: 'password' | 'pin'; readonly words: string }>()
  const [busy, setBusy] = useState(false)
  const keep = async () => {
    const wrong = wrongWithPin(pin)
    if (wrong) return setFault({ at: 'pin', words: wrong })
    setFault(undefined)
    setBusy(true)
    const became = await sendOfSignIn('pin', { password, pin })
    setBusy(false)
    if (became === 'undone') return void toast.error(UNDONE)
    if (became === 'refused') return setFault({ at: 'password', words: 'That is not your password' })
    setPassword('')
    setPin('')
    toast.success('That is your PIN now')
  }
  return (
    <form
      className="sheet flex flex-col gap-4 p-5"
      noValidate
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void keep()
      }}
    >
      <h2 className="text-xl font-bold">{has ? 'Another PIN' : 'A PIN for the room’s tablet'}</h2>
      <p className="text-sm">
        On a tablet that belongs to the room you tap your name and these four digits. What is written then is yours. A
        PIN opens what an instructor may do; people, keys, the venue and releasing a machine take your password.
      </p>
      <Text
        label="Four digits"
        type="password"
        autoComplete="off"
        value={pin}
        set={setPin}
        error={fault?.at === 'pin' ? fault.words : undefined}
      />
      <Text
        label="Your password"
        type="password"
        autoComplete="current-password"
        value={password}
        set={setPassword}
        error={fault?.at === 'password' ? fault.words : undefined}
      />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Keep it
      </button>
    </form>
  )
}
