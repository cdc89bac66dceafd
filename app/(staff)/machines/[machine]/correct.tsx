'use client'

import { useState } from 'react'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** Takes a line back by another that names it, with a reason. Both stay in the book. */
export function BookLineCorrection({
  machineId,
  eventId,
  title,
}: {
  machineId: string
  eventId: string
  title: string
}) {
  const [open, setOpen] = useState(false)
  const [because, setBecause] = useState('')
  const { busy, fault, log } = useWrite()
  if (!open) {
    return (
      <div>
        <button type="button" className="link min-h-8" aria-label={`Correct: ${title}`} onClick={() => setOpen(true)}>
          correct
        </button>
      </div>
    )
  }
  return (
    <form
      className="mt-1 flex flex-col items-end gap-2"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void log(
          machineId,
          'correction',
          { corrects: eventId, because },
          { done: 'Corrected; both lines stay in the book' },
        ).then((landed) => landed && setOpen(false))
      }}
    >
      <div className="text-left">
        <Text label="What was wrong?" most={500} value={because} set={setBecause} />
      </div>
      <FaultNote fault={fault} />
      <div className="flex gap-2">
        <button type="button" className="btn btn-ghost" onClick={() => setOpen(false)}>
          Leave it
        </button>
        <button type="submit" className="btn btn-secondary" disabled={busy}>
          Take it back
        </button>
      </div>
    </form>
  )
}
