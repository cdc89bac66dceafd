'use client'

import { useState } from 'react'
import type { LineBody } from '@/core/machine/event'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Open {
  readonly eventId: string
  readonly fault: LineBody<'fault-cured'>['fault']
  /** in a word or a few, as a tap names it */
  readonly named: string
  /** as the machine’s standing says it */
  readonly words: string
}

/** Faults that somebody wrote down and nobody has said the end of, each with the tap that says it: the room’s next one learns what cured it. */
export function OpenFaults({ machineId, faults }: { machineId: string; faults: readonly Open[] }) {
  const { busy, fault: refused, log } = useWrite()
  const [curing, setCuring] = useState<string>()
  const [cure, setCure] = useState('')
  return (
    <section className="mt-2" aria-label="Open faults">
      <ul>
        {faults.map(({ eventId, fault, named, words }) => (
          <li key={eventId} className="py-1">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
              <span className="text-lg">{words}</span>
              <button
                type="button"
                className="btn btn-outline"
                aria-expanded={curing === eventId}
                aria-label={`Cured: ${named} …`}
                onClick={() => setCuring(curing === eventId ? undefined : eventId)}
              >
                Cured …
              </button>
            </div>
            {curing === eventId && (
              <form
                className="mt-2 flex flex-wrap items-end gap-3"
                onSubmit={(submitted) => {
                  submitted.preventDefault()
                  void log(machineId, 'fault-cured', { fault, cure, opened: eventId }, { done: 'Cured' }).then(
                    (landed) => {
                      if (!landed) return
                      setCuring(undefined)
                      setCure('')
                    },
                  )
                }}
              >
                <div className="min-w-64 flex-1">
                  <Text label="What cured it" most={500} value={cure} set={setCure} />
                </div>
                <button type="submit" className="btn btn-primary" disabled={busy}>
                  Write it down
                </button>
              </form>
            )}
          </li>
        ))}
      </ul>
      <FaultNote fault={refused} />
    </section>
  )
}
