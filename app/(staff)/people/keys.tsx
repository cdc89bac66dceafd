'use client'

import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { KEY_PURPOSES, KEY_WORDS, type KeyPurpose } from '@/core/people/key'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export interface KeyShown {
  readonly keyId: string
  readonly name: string
  readonly words: string
  readonly made: string
  readonly used: string
  /** whoever it was made for is told of nothing by it */
  readonly quiet: boolean
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

/** What is done with a key's secret, to be copied. */
const SHOWN: Readonly<Record<KeyPurpose, (origin: string, secret: string) => string>> = {
  'care-feed': (origin, secret) => `${origin}/api/care/${secret}.ics`,
  'run-meter': (origin, secret) => `npm run meter -- ${origin} ${secret}`,
  'room-tablet': (origin, secret) => `${origin}/tablet#${secret}`,
}

const newKey = () => ({ keyId: uuid(), secret: newSecret() })

/** Keys for calendars and devices: made here, shown once, ended here. */
export function Keys({ keys, machines }: Props) {
  const [made, setMade] = useState<{ readonly name: string; readonly show: string; readonly opens: boolean }>()
  // Sent again after a fault, it is the same key.
  const [fresh, setFresh] = useState(newKey)
  const { busy, fault, write } = useWrite()
  const start: { purpose: KeyPurpose; machineId: string; name: string } = {
    purpose: 'care-feed',
    machineId: machines[0]?.machineId ?? '',
    name: '',
  }
  const form = useCommandForm('make-key', {
    start,
    body: ({ purpose, machineId, name }) => ({
      ...fresh,
      purpose,
      name,
      ...(purpose === 'run-meter' && { machineId }),
    }),
    words: () => ({ done: 'The key is made' }),
    landed: ({ purpose, name }) => {
      const { origin } = window.location
      const { secret } = fresh
      setMade({ name, show: SHOWN[purpose](origin, secret), opens: purpose === 'room-tablet' })
      setFresh(newKey())
      form.reset()
    },
  })
  return (
    <section id="keys" aria-labelledby="keys-title">
      <h2 id="keys-title" className="text-2xl font-bold">
        Keys
      </h2>
      <p className="mt-1">
        A key lets a calendar, a device or a tablet of the room in, for one thing only, until it is ended.
      </p>
      {made && (
        <div className="sheet mt-3 p-4" role="status">
          <p className="font-bold">
            {made.opens
              ? `${made.name}: open this on the tablet itself, once. It is not shown again.`
              : `${made.name}: copy this now, it is not shown again.`}
          </p>
          {made.opens ? (
            <a className="link mt-2 block break-all font-mono text-sm" href={made.show}>
              {made.show}
            </a>
          ) : (
            <code className="mt-2 block break-all font-mono text-sm">{made.show}</code>
          )}
        </div>
      )}
      <ul className="mt-3">
        {keys.map((key) => (
          <li key={key.keyId} className="seam flex flex-wrap items-center justify-between gap-2 py-2">
            <span>
              <strong>{key.name}</strong>, {key.words}
              <span className="block text-sm">
                {key.made}; {key.used}
              </span>
              {key.quiet && (
                <span className="block text-sm text-secondary">
                  No calendar has asked for days: whoever looks there is told of nothing that is due.
                </span>
              )}
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
      <FaultNote fault={fault} />
      <CommandForm form={form} label="Make a key" className="mt-4 flex flex-wrap items-end gap-3" button="Make it">
        <Select
          label="For"
          look="small"
          {...form.field('purpose')}
          options={KEY_PURPOSES.filter((each) => each !== 'run-meter' || machines.length > 0).map((each) => [
            each,
            KEY_WORDS[each],
          ])}
        />
        {form.values.purpose === 'run-meter' && (
          <Select
            label="Machine"
            look="small"
            {...form.field('machineId')}
            options={machines.map(({ machineId, name }) => [machineId, name])}
          />
        )}
        <Text label="Called" look="small" {...form.field('name')} most={80} placeholder="office calendar" />
      </CommandForm>
    </section>
  )
}
