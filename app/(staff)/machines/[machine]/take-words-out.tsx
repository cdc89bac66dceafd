'use client'

import { useState } from 'react'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** A name or something private stands in a line: its words go for good, what happened stays. */
export function TakeWordsOut({ machineId, eventId, title }: { machineId: string; eventId: string; title: string }) {
  const [asked, setAsked] = useState(false)
  const { busy, fault, log } = useWrite()
  const done = { done: 'The words are gone; what happened stays', forGood: true } as const
  return (
    <div>
      <button
        type="button"
        className="link min-h-8"
        aria-label={`Take the words out of: ${title}`}
        aria-expanded={asked}
        onClick={() => setAsked(!asked)}
      >
        take words out
      </button>
      {asked && (
        <div className="mt-1 flex max-w-56 flex-col items-end gap-2 border-r-4 border-error pr-3">
          <p>Its words go for good, for everybody. What happened and who wrote it stay.</p>
          <button
            type="button"
            className="btn btn-error btn-sm"
            disabled={busy}
            onClick={() =>
              void log(machineId, 'redacted', { line: eventId }, done).then((landed) => landed && setAsked(false))
            }
          >
            Take them out
          </button>
          <FaultNote fault={fault} />
        </div>
      )}
    </div>
  )
}
