'use client'

import { useState } from 'react'
import type { Fault } from '@/core/schema/invalid'
import { ask } from '../ask'
import { signInAs } from '../sign-in-as'
import { FaultNote } from './fault-note'

/** Opens a room of made-up data beside the venue, to try things in. */
export function OpenPracticeRoom() {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<Fault>()
  const [made, setMade] = useState<{ readonly email: string; readonly password: string }>()
  const open = async () => {
    setBusy(true)
    setFault(undefined)
    const sent = await ask('practice-room', { body: { how: 'open' } })
    if (!sent.ok) setFault(sent.error)
    else if (sent.answer.email && sent.answer.password)
      setMade({ email: sent.answer.email, password: sent.answer.password })
    setBusy(false)
  }
  return (
    <section className="sheet mt-8 p-5" aria-labelledby="practice">
      <h2 id="practice" className="text-xl font-bold">
        A practice room beside yours
      </h2>
      <p>
        Nine made-up machines, a class and eight weeks of books, for trying things and for showing new colleagues.
        Nothing you do there touches this venue. In thirty days it is gone by itself; opening it again makes a fresh
        one.
      </p>
      {made ? (
        <div role="status" className="mt-3 border-l-4 border-success pl-4">
          <p>
            It is open. Whoever comes in signs in as <strong className="break-all">{made.email}</strong> with{' '}
            <code className="font-mono text-lg">{made.password}</code>. It is not shown again.
          </p>
          <button
            type="button"
            className="btn btn-primary mt-2"
            onClick={() => void signInAs(made.email, made.password, '/room')}
          >
            Go there; I am signed out here
          </button>
        </div>
      ) : (
        <button type="button" className="btn btn-outline mt-3" disabled={busy} onClick={() => void open()}>
          {busy ? 'Writing eight weeks of books …' : 'Open a practice room'}
        </button>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}

/** Throws away the practice room that one is in. */
export function ThrowPracticeAway() {
  const [sure, setSure] = useState(false)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<Fault>()
  const throwAway = async () => {
    setBusy(true)
    const sent = await ask('practice-room', { body: { how: 'throw-away' } })
    if (sent.ok) window.location.assign('/')
    else setFault(sent.error)
    setBusy(false)
  }
  return (
    <section className="sheet mt-8 p-5" aria-labelledby="practice">
      <h2 id="practice" className="text-xl font-bold">
        This is a practice room
      </h2>
      <p>Everything in it is made up. Thrown away, it is gone for good, with whatever was written here.</p>
      {sure ? (
        <button type="button" className="btn btn-error mt-3" disabled={busy} onClick={() => void throwAway()}>
          Throw it away now
        </button>
      ) : (
        <button type="button" className="btn btn-outline mt-3" onClick={() => setSure(true)}>
          Throw it away …
        </button>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}
