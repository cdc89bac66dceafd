'use client'

import { useState } from 'react'
import type { Fault } from '@/core/schema/invalid'
import { capital } from '@/core/units/words'
import { Text } from '@/ui/fields/text'
import { ask } from '@/ui/ask'
import { FaultNote } from '@/ui/parts/fault-note'

/** Sends a code by mail; where the mail server is away the address stays typed, and the code can still be read out. */
export function MailCode({ code, name }: { code: string; name: string }) {
  const [email, setEmail] = useState('')
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<Fault>()
  const [sentTo, setSentTo] = useState<string>()
  const send = async () => {
    setBusy(true)
    setFault(undefined)
    const answer = await ask('mail-code', { body: { code, email } })
    if (answer.ok) setSentTo(email)
    else setFault(answer.error)
    setBusy(false)
  }
  const ofAddress = fault?.path === 'email'
  return (
    <form
      className="mt-3 flex flex-wrap items-end gap-2"
      noValidate
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void send()
      }}
    >
      <Text
        label={`Or mail it to ${name}`}
        look="small"
        type="email"
        value={email}
        set={setEmail}
        error={ofAddress ? capital(fault.what ?? fault.message) : undefined}
      />
      <button type="submit" className="btn btn-outline" disabled={busy || email === ''}>
        Send it
      </button>
      {sentTo && <p className="w-full">It is on its way to {sentTo}.</p>}
      {!ofAddress && <FaultNote fault={fault} />}
    </form>
  )
}
