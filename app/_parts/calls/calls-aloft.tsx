'use client'

import { Hand, HeartPulse } from 'lucide-react'
import type { UnnamedCall } from '@/core/wire/asks'

/** A call to be read across the room; with the name of whoever called, where it may be read. */
export type AloftCall = UnnamedCall & { readonly who?: string; readonly goes?: string }

/** Open calls at the head of a screen that stands in the room: to be seen from three metres away. */
export function CallsAloft({ calls }: { calls: readonly AloftCall[] }) {
  return (
    <section aria-label="Calls for help" aria-live="assertive">
      <ul>
        {calls.map(({ callId, about, where, since, going, who, goes }) => (
          <li
            key={callId}
            className={`mb-3 flex items-center gap-4 border-l-[12px] bg-base-200 px-5 py-3 text-[clamp(1.25rem,2.4vw,3rem)] leading-tight ${about === 'hurt' ? 'border-l-error' : 'border-l-secondary'}`}
          >
            {about === 'hurt' ? (
              <HeartPulse className="size-[1.4em] shrink-0 text-error" aria-hidden="true" />
            ) : (
              <Hand className="size-[1.4em] shrink-0" aria-hidden="true" />
            )}
            <p>
              <strong>
                {about === 'hurt' ? ['Somebody is hurt', who].filter(Boolean).join(': ') : `${who ?? 'Somebody'} calls`}
                {where === undefined ? ', at no machine' : ` at ${where}`}
              </strong>
              , since {since}
              {going && `. ${goes ?? 'Somebody'} is going`}
            </p>
          </li>
        ))}
      </ul>
    </section>
  )
}
