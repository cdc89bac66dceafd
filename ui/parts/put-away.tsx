'use client'

import type { Fault } from '@/core/schema/invalid'
import type { StockItem } from '@/core/stock/item'
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

function TakeOutButton({
  name,
  busy,
  fault,
  onClick,
}: {
  name: string
  busy: boolean
  fault?: Fault | undefined
  onClick: () => void
}) {
  return (
    <>
      <button
        type="button"
        className="btn btn-outline"
        aria-label={`Take ${name} out`}
        disabled={busy}
        onClick={onClick}
      >
        Take out
      </button>
      <FaultNote fault={fault} />
    </>
  )
}

export function TakeOut({ what, id, name }: Thing) {
  const { busy, fault, write } = useWrite()
  const takeOut = () => void write('take-out', { what, id }, { done: `${name} is out again` })
  return <TakeOutButton name={name} busy={busy} fault={fault} onClick={takeOut} />
}

/** A machine comes back by a line in its book. */
export function TakeOutMachine({ machineId, name }: { machineId: string; name: string }) {
  const { busy, fault, log } = useWrite()
  const takeOut = () => void log(machineId, 'taken-out', {}, { done: `${name} stands in the room again` })
  return <TakeOutButton name={name} busy={busy} fault={fault} onClick={takeOut} />
}

/** A shelf comes back empty: by being counted. */
export function TakeOutShelf({ item, name }: { item: StockItem; name: string }) {
  const { busy, fault, write } = useWrite()
  const takeOut = () => void write('count-stock', { item, count: 0 }, { done: `The shelf of ${name} is out again` })
  return <TakeOutButton name={`the shelf of ${name}`} busy={busy} fault={fault} onClick={takeOut} />
}
