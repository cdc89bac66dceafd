'use client'

import { useState } from 'react'
import { Count } from '@/ui/fields/number'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { PutAway } from '@/ui/parts/put-away'
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
  const of = <Name extends keyof Facts>(name: Name) => ({
    value: now[name],
    set: (value: Facts[Name]) => setNow({ ...now, [name]: value }),
  })
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
        <Text look="small" type="date" label="Day" {...of('day')} />
        <Text look="small" type="time" label="From" {...of('from')} />
        <Text look="small" type="time" label="To" {...of('to')} />
        <Count look="small" label="Blocks" min={1} max={12} {...of('blocks')} />
        <div className="grow">
          <Text look="small" optional label="Why it is called off (empty: it takes place)" {...of('calledOff')} />
        </div>
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
      <p className="mt-3">
        Put down by mistake?{' '}
        <PutAway what="session" id={sessionId} name="The session" words="Put it away" then="/sessions" />
      </p>
    </details>
  )
}
