'use client'

import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { KEY_PURPOSES, KEY_WORDS, type KeyPurpose } from '@/core/people/key'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export interface KeyShown {
  readonly keyId: string
  readonly name: string
  readonly words: string
  readonly made: string
}

interface Props {
  readonly keys: readonly KeyShown[]
  readonly machines: readonly { readonly machineId: string; readonly name: string }[]
}

/** 256 bits of chance in the letters that an address takes. */
function newSecret(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(32))
  return btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replaceAll('=', '')
}

/** Keys for calendars and devices: made here, shown once, ended here. */
export function Keys({ keys, machines }: Props) {
  const [purpose, setPurpose] = useState<KeyPurpose>('care-feed')
  const [machineId, setMachineId] = useState(machines[0]?.machineId ?? '')
  const [name, setName] = useState('')
  const [made, setMade] = useState<{ readonly name: string; readonly show: string }>()
  const [fresh, setFresh] = useState<{ readonly keyId: string; readonly secret: string }>()
  const { busy, fault, write } = useWrite()

  const make = async () => {
    // Sent again after a fault, it is the same key.
    const key = fresh ?? { keyId: uuid(), secret: newSecret() }
    setFresh(key)
    const body = { ...key, purpose, name, ...(purpose === 'run-meter' && { machineId }) }
    if (!(await write('make-key', body, { done: 'The key is made' }))) return
    const origin = window.location.origin
    setMade({
      name,
      show:
        purpose === 'care-feed' ? `${origin}/api/care/${key.secret}.ics` : `npm run meter -- ${origin} ${key.secret}`,
    })
    setFresh(undefined)
    setName('')
  }
  return (
    <section id="keys" aria-labelledby="keys-title">
      <h2 id="keys-title" className="text-2xl font-bold">
        Keys
      </h2>
      <p className="mt-1">A key lets a calendar or a device in, for one thing only, until it is ended.</p>
      {made && (
        <div className="sheet mt-3 p-4" role="status">
          <p className="font-bold">{made.name}: copy this now, it is not shown again.</p>
          <code className="mt-2 block break-all font-mono text-sm">{made.show}</code>
        </div>
      )}
      <ul className="mt-3">
        {keys.map((key) => (
          <li key={key.keyId} className="seam flex flex-wrap items-center justify-between gap-2 py-2">
            <span>
              <strong>{key.name}</strong>, {key.words}
              <span className="block text-sm">{key.made}</span>
            </span>
            <button
              type="button"
              className="btn btn-outline"
              disabled={busy}
              aria-label={`End the key ${key.name}`}
              onClick={() =>
                void write('end-key', { keyId: key.keyId }, { done: `${key.name} opens nothing any more` })
              }
            >
              End it
            </button>
          </li>
        ))}
      </ul>
      <form
        className="mt-4 flex flex-wrap items-end gap-3"
        aria-label="Make a key"
        onSubmit={(submitted) => {
          submitted.preventDefault()
          void make()
        }}
      >
        <label className="flex flex-col gap-1">
          <span className="text-sm">For</span>
          <select className="select" value={purpose} onChange={({ target }) => setPurpose(target.value as KeyPurpose)}>
            {KEY_PURPOSES.filter((each) => each !== 'run-meter' || machines.length > 0).map((each) => (
              <option key={each} value={each}>
                {KEY_WORDS[each]}
              </option>
            ))}
          </select>
        </label>
        {purpose === 'run-meter' && (
          <label className="flex flex-col gap-1">
            <span className="text-sm">Machine</span>
            <select
              className="select"
              aria-label="Machine"
              value={machineId}
              onChange={({ target }) => setMachineId(target.value)}
            >
              {machines.map((machine) => (
                <option key={machine.machineId} value={machine.machineId}>
                  {machine.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="flex flex-col gap-1">
          <span className="text-sm">Called</span>
          <input
            className="input"
            required
            maxLength={80}
            value={name}
            onChange={({ target }) => setName(target.value)}
            placeholder="office calendar"
          />
        </label>
        <button type="submit" className="btn btn-primary" disabled={busy}>
          Make it
        </button>
        <FaultNote fault={fault} />
      </form>
    </section>
  )
}
