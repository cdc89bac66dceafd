'use client'

import { useState } from 'react'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { momentIn, wrongWithSession } from '@/ui/zone'

interface Facts {
  readonly day: string
  readonly from: string
  readonly to: string
  readonly blocks: number
  readonly calledOff: string
}

/** When the session is and in how many blocks; it can be moved, and called off with a reason. */
export function SessionFacts({ sessionId, timeZone, facts }: { sessionId: string; timeZone: string; facts: Facts }) {
  const [now, setNow] = useState(facts)
  const { busy, fault, write } = useWrite()
  const field = (label: string, type: 'date' | 'time', name: 'day' | 'from' | 'to') => (
    <label className="flex flex-col gap-1">
      <span className="text-sm">{label}</span>
      <input
        type={type}
        required
        className="input"
        value={now[name]}
        onChange={({ target }) => setNow({ ...now, [name]: target.value })}
      />
    </label>
  )
  const wrong = wrongWithSession(now, timeZone)
  return (
    <details className="mt-6">
      <summary className="cursor-pointer text-xl font-bold">Move it, or call it off</summary>
      <form
        aria-label="This session"
        noValidate
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (wrong) return
          void write(
            'change-session',
            {
              sessionId,
              startsAt: momentIn(now.day, now.from, timeZone),
              endsAt: momentIn(now.day, now.to, timeZone),
              blocks: now.blocks,
              ...(now.calledOff.trim() && { calledOff: now.calledOff.trim() }),
            },
            { done: now.calledOff.trim() ? 'The session is called off' : 'The session is as you said' },
          )
        }}
      >
        {field('Day', 'date', 'day')}
        {field('From', 'time', 'from')}
        {field('To', 'time', 'to')}
        <label className="flex flex-col gap-1">
          <span className="text-sm">Blocks</span>
          <input
            type="number"
            required
            min={1}
            max={12}
            className="input w-24"
            value={Number.isFinite(now.blocks) ? now.blocks : ''}
            onChange={({ target }) => setNow({ ...now, blocks: target.valueAsNumber })}
          />
        </label>
        <label className="flex grow flex-col gap-1">
          <span className="text-sm">Why it is called off (empty: it takes place)</span>
          <input
            className="input w-full"
            maxLength={200}
            value={now.calledOff}
            onChange={({ target }) => setNow({ ...now, calledOff: target.value })}
          />
        </label>
        <button type="submit" className="btn" disabled={busy}>
          Keep it so
        </button>
      </form>
      {wrong && (
        <p role="status" className="mt-2 font-bold">
          {wrong}.
        </p>
      )}
      <FaultNote fault={fault} />
    </details>
  )
}
