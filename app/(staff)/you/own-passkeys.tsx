'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { toast } from 'sonner'
import { addPasskey, passkeysWorkHere, takePasskeyAway } from '../../_parts/passkey'
import { useListening } from '@/ui/parts/use-listening'

interface Shown {
  readonly id: string
  readonly words: string
  readonly since: string
}

/** What this person signs in by without a password; added here on a device of their own, and taken away. */
export function OwnPasskeys({ passkeys, here }: { passkeys: readonly Shown[]; here: string }) {
  const router = useRouter()
  const listening = useListening()
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string>()
  const did = async (work: Promise<string | undefined>, said: string) => {
    setBusy(true)
    setFault(undefined)
    const wrong = await work
    setBusy(false)
    setFault(wrong)
    if (!wrong) toast.success(said)
    router.refresh()
  }
  return (
    <section className="sheet mt-8 flex flex-col gap-3 p-5" aria-labelledby="passkeys">
      <h2 id="passkeys" className="text-xl font-bold">
        Without a password
      </h2>
      <p className="text-sm">
        A passkey stays behind this device’s own lock: you sign in with a finger, your face or the device’s PIN, and
        there is no word that somebody could look over your shoulder for. Your password goes on working.
      </p>
      {passkeys.length > 0 && (
        <ul aria-label="Your passkeys">
          {passkeys.map(({ id, words, since }) => (
            <li key={id} className="seam flex flex-wrap items-center gap-x-4 py-2">
              <span className="grow">
                Made on {words}
                <span className="block text-sm">{since}</span>
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-sm min-h-11"
                aria-label={`Take away the passkey made on ${words}, ${since}`}
                disabled={busy}
                onClick={() => void did(takePasskeyAway(id), 'That passkey opens nothing any more')}
              >
                Take away
              </button>
            </li>
          ))}
        </ul>
      )}
      {fault && (
        <p role="alert" className="border-l-4 border-error py-1 pl-3 text-error">
          {fault}
        </p>
      )}
      {listening && !passkeysWorkHere() ? (
        <p className="text-sm font-semibold">
          Not at this address: a browser keeps passkeys only for a server with a name, by https.
        </p>
      ) : (
        <button
          type="button"
          className="btn btn-outline btn-lg self-start"
          disabled={busy || !listening}
          onClick={() => void did(addPasskey(here), 'From now on you can sign in here without a password')}
        >
          Add a passkey on this device
        </button>
      )}
    </section>
  )
}
