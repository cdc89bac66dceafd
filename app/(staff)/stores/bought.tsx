'use client'

import { useState } from 'react'
import type { StockItem } from '@/core/stock/item'
import { Count } from '@/ui/fields/number'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** A row of the shopping list is ticked: what was bought lies on its shelf, as many as came. */
export function Bought({ item, words, wanted }: { item: StockItem; words: string; wanted: number }) {
  const [open, setOpen] = useState(false)
  const [count, setCount] = useState(wanted)
  const { busy, fault, write } = useWrite()
  if (!open)
    return (
      <button
        type="button"
        className="btn btn-outline btn-sm min-h-11 print:hidden"
        aria-label={`Bought: ${words}`}
        onClick={() => {
          setCount(wanted)
          setOpen(true)
        }}
      >
        Bought …
      </button>
    )
  return (
    <form
      className="flex flex-wrap items-end gap-2 print:hidden"
      aria-label={`Bought: ${words}`}
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void write(
          'receive-stock',
          { item, count },
          {
            done: `${count} ${words} came in`,
            undo: () =>
              void write(
                'adjust-stock',
                { item, change: -count, because: 'said to have come in by mistake' },
                { done: `${count} ${words} are off the shelf again` },
              ),
          },
        ).then((landed) => landed && setOpen(false))
      }}
    >
      <Count look="small" label="How many came" min={1} max={100_000} value={count} set={setCount} />
      <button type="submit" className="btn btn-primary" disabled={busy}>
        Onto its shelf
      </button>
      <button type="button" className="btn btn-ghost" onClick={() => setOpen(false)}>
        Not yet
      </button>
      <FaultNote fault={fault} />
    </form>
  )
}
