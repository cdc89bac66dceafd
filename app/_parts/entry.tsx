'use client'

import { useState } from 'react'
import { reachWith } from '@/ui/reach'

export interface EntryField {
  readonly name: string
  readonly label: string
  readonly type: string
  readonly autoComplete: string
  readonly hint?: string
}

/** A form that lets somebody in. On failure it says why, and what was typed is still there. */
export function Entry({ to, fields, button }: { to: string; fields: readonly EntryField[]; button: string }) {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState('')
  const enter = async (form: FormData) => {
    setBusy(true)
    setFault('')
    const body = Object.fromEntries(fields.map(({ name }) => [name, form.get(name)]))
    try {
      const response = await reachWith(to, body)
      if (response.ok) {
        window.location.assign('/')
        return
      }
      const answer = (await response.json().catch(() => ({}))) as { message?: string }
      setFault(
        response.status === 429
          ? 'Too many tries. Wait a minute, then try again.'
          : (answer.message ?? 'That did not work.'),
      )
    } catch {
      setFault('The room’s server cannot be reached. Try again in a moment.')
    }
    setBusy(false)
  }
  return (
    // Sent by the browser itself, whatever happens, a password never stands in the address.
    <form
      method="post"
      className="flex flex-col gap-4"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void enter(new FormData(submitted.currentTarget))
      }}
    >
      {fields.map(({ name, label, type, autoComplete, hint }) => (
        <label key={name} className="flex flex-col gap-1">
          <span className="font-semibold">{label}</span>
          <input name={name} type={type} autoComplete={autoComplete} required className="input input-lg w-full" />
          {hint && <span className="text-sm">{hint}</span>}
        </label>
      ))}
      {fault && (
        <p role="alert" className="border-l-4 border-error py-1 pl-3 text-error">
          {fault}
        </p>
      )}
      <button type="submit" disabled={busy} className="btn btn-primary btn-lg">
        {busy ? 'One moment' : button}
      </button>
    </form>
  )
}
