'use client'

import { Delete } from 'lucide-react'
import { useState } from 'react'
import { PIN_DIGITS } from '@/core/people/pin'
import { reachWith } from '@/ui/reach'

interface Holder {
  readonly personId: string
  readonly name: string
}

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', 'back', '0'] as const

/** Who takes the tablet in hand: a name, then four digits. */
export function WhoHolds({ holders }: { holders: readonly Holder[] }) {
  const [who, setWho] = useState<Holder>()
  if (!who) {
    return (
      <>
        <h1 className="text-center text-4xl font-bold">Who has it in hand?</h1>
        {holders.length === 0 && (
          <p className="mt-4 text-lg">
            Nobody has a PIN yet. Sign in with your password elsewhere, and give yourself one under your name.
          </p>
        )}
        <ul className="mt-6 grid grid-cols-2 gap-3 sm:grid-cols-3">
          {holders.map((holder) => (
            <li key={holder.personId}>
              <button
                type="button"
                className="btn btn-outline h-auto min-h-20 w-full text-xl"
                onClick={() => setWho(holder)}
              >
                <bdi>{holder.name}</bdi>
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-8 text-center">
          <a className="link" href="/sign-in?password=1">
            Sign in with a password
          </a>
        </p>
      </>
    )
  }
  return <Keypad who={who} back={() => setWho(undefined)} />
}

function Keypad({ who, back }: { who: Holder; back: () => void }) {
  const [pin, setPin] = useState('')
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string>()
  const tap = (key: string) => {
    if (busy) return
    setFault(undefined)
    const next = key === 'back' ? pin.slice(0, -1) : pin + key
    setPin(next)
    if (next.length === PIN_DIGITS) void take(next)
  }
  const take = async (whole: string) => {
    setBusy(true)
    const answer = await reachWith('/api/sign-in/tablet', { personId: who.personId, pin: whole }).catch(() => undefined)
    if (answer?.ok) return window.location.assign('/')
    const said = (await answer?.json().catch(() => undefined)) as { message?: string } | undefined
    setFault(said?.message ?? 'The room’s server cannot be reached; try again')
    setPin('')
    setBusy(false)
  }
  return (
    <div
      className="mx-auto flex w-full max-w-xs flex-col items-center"
      onKeyDown={({ key }) => {
        if (/^\d$/.test(key)) tap(key)
        if (key === 'Backspace') tap('back')
      }}
    >
      <h1 className="text-3xl font-bold">
        <bdi>{who.name}</bdi>
      </h1>
      <p className="mt-3 flex gap-4" role="status" aria-label={`${pin.length} of ${PIN_DIGITS} digits`}>
        {Array.from({ length: PIN_DIGITS }, (_, index) => (
          <span
            key={index}
            className={`size-5 border-2 border-base-content ${index < pin.length ? 'bg-base-content' : ''}`}
          />
        ))}
      </p>
      <p role="alert" className="mt-2 min-h-6 text-error">
        {fault}
      </p>
      <div className="mt-2 grid w-full grid-cols-3 gap-3">
        {KEYS.map((key) => (
          <button
            key={key}
            type="button"
            autoFocus={key === '1'}
            className={`btn h-16 text-2xl ${key === 'back' ? 'btn-ghost' : 'btn-outline'}`}
            aria-label={key === 'back' ? 'Take the last digit away' : key}
            disabled={busy}
            onClick={() => tap(key)}
          >
            {key === 'back' ? <Delete className="size-6" aria-hidden="true" /> : key}
          </button>
        ))}
      </div>
      <button type="button" className="btn btn-ghost mt-6" onClick={back}>
        Somebody else
      </button>
    </div>
  )
}
