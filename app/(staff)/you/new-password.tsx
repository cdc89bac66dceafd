'use client'

import { useState } from 'react'
import { toast } from 'sonner'
import { sendOfSignIn, UNDONE } from '@/ui/of-sign-in'
import { Text } from '@/ui/fields/text'

const SHORTEST = 10

/** Somebody's own password, changed by who knows the old one; everywhere else they are signed out. */
export function NewPassword() {
  const [current, setCurrent] = useState('')
  const [next, setNext] = useState('')
  const [fault, setFault] = useState<{ readonly at: 'current' | 'next'; readonly words: string }>()
  const [busy, setBusy] = useState(false)
  const change = async () => {
    if (next.length < SHORTEST) return setFault({ at: 'next', words: `At least ${SHORTEST} characters` })
    setFault(undefined)
    setBusy(true)
    const body = { currentPassword: current, newPassword: next, revokeOtherSessions: true }
    const became = await sendOfSignIn('change-password', body)
    setBusy(false)
    if (became === 'undone') return void toast.error(UNDONE)
    if (became === 'refused') return setFault({ at: 'current', words: 'That is not your password now' })
    setCurrent('')
    setNext('')
    toast.success('Your password is changed; everywhere else you are signed out')
  }
  return (
    <form
      className="sheet flex flex-col gap-4 p-5"
      noValidate
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void change()
      }}
    >
      <h2 className="text-xl font-bold">Another password</h2>
      <Text
        label="Password now"
        type="password"
        autoComplete="current-password"
        value={current}
        set={setCurrent}
        error={fault?.at === 'current' ? fault.words : undefined}
      />
      <Text
        label="New password"
        type="password"
        autoComplete="new-password"
        value={next}
        set={setNext}
        hint={`At least ${SHORTEST} characters.`}
        error={fault?.at === 'next' ? fault.words : undefined}
      />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Change it
      </button>
    </form>
  )
}
