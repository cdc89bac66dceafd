'use client'

import type { Puttable } from '@/core/wire/commands/putting-away'
import { FaultNote } from './fault-note'
import { useWrite } from './use-write'

interface Thing {
  readonly what: Puttable
  readonly id: string
  /** as it is called in a sentence */
  readonly name: string
}

/** Puts something away in one tap; it can be taken out again at once or years later. */
export function PutAway({ what, id, name, words = 'Put away', then }: Thing & { words?: string; then?: string }) {
  const { busy, fault, write } = useWrite()
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost"
        aria-label={words === 'Put away' ? `Put ${name} away` : undefined}
        disabled={busy}
        onClick={() =>
          void write(
            'put-away',
            { what, id },
            {
              done: `${name} is put away`,
              undo: () => void write('take-out', { what, id }, { done: `${name} is out again` }),
              ...(then && { then }),
            },
          )
        }
      >
        {words}
      </button>
      <FaultNote fault={fault} />
    </>
  )
}

export function TakeOut({ what, id, name }: Thing) {
  const { busy, fault, write } = useWrite()
  return (
    <>
      <button
        type="button"
        className="btn btn-outline"
        aria-label={`Take ${name} out`}
        disabled={busy}
        onClick={() => void write('take-out', { what, id }, { done: `${name} is out again` })}
      >
        Take out
      </button>
      <FaultNote fault={fault} />
    </>
  )
}

/** A machine comes back by a line in its book. */
export function TakeOutMachine({ machineId, name }: { machineId: string; name: string }) {
  const { busy, fault, log } = useWrite()
  return (
    <>
      <button
        type="button"
        className="btn btn-outline"
        aria-label={`Take ${name} out`}
        disabled={busy}
        onClick={() => void log(machineId, 'taken-out', {}, { done: `${name} stands in the room again` })}
      >
        Take out
      </button>
      <FaultNote fault={fault} />
    </>
  )
}
