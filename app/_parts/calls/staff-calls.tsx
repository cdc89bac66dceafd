'use client'

import { Hand, HeartPulse } from 'lucide-react'
import { Link } from '@/ui/parts/link'
import { usePathname } from 'next/navigation'
import { useEffect, useRef } from 'react'
import { useWrite } from '@/ui/parts/use-write'
import { waitsTooLong } from '@/core/people/call-wait'
import type { EventOf, ShownCall } from '@/core/wire/asks'
import { send } from '@/ui/write'
import { DRAWN_CALLS } from './drawn-calls'
import { LeftLines } from './left-lines'
import { useRings } from './ring'
import { lostWords, SignInAgain } from '../live/as-of'
import { useRedraw } from '../live/use-redrawn'
import { useNow, useToldFrom } from '../live/use-told'

const waited = (ms: number): string => {
  const minutes = Math.floor(ms / 60_000)
  return minutes < 1 ? 'just now' : minutes === 1 ? 'a minute' : `${minutes} minutes`
}

const NOBODY: readonly ShownCall[] = []

/** Every open call, on every page of staff: who, where, since when, and what the finder found. */
export function StaffCalls({ personId, drawn }: { personId: string; drawn: EventOf<'calls'> }) {
  const line = useToldFrom('calls', drawn)
  const { told, shown, live, aheadMs } = line
  const calls = shown?.calls ?? NOBODY
  const now = useNow()
  const redraw = useRedraw()
  const path = usePathname()
  // What the page was drawn with is no news: it is not drawn once more for it.
  const known = useRef<ReadonlySet<string>>(new Set(drawn.calls.map(({ callId }) => callId)))

  // A page may be drawn where nobody looks: what the line tells is before somebody's eyes.
  const unseen = (told?.calls ?? NOBODY).filter(({ seen }) => !seen).map(({ callId }) => callId)
  const unseenKey = unseen.join()
  useEffect(() => {
    if (unseenKey !== '') void send('see-calls', { callIds: unseenKey.split(',') })
  }, [unseenKey])

  useRings(calls)
  const openKey = calls.map(({ callId }) => callId).join()
  useEffect(() => {
    if (!told) return
    const ids = openKey === '' ? [] : openKey.split(',')
    const same = ids.length === known.current.size && ids.every((id) => known.current.has(id))
    known.current = new Set(ids)
    // The plan of the room shows calls, too, and a machine may have been stopped with one. A page that was drawn just before
    // a call came or ended is drawn again, though nothing has changed since this line to the server was made.
    const drawn = document.querySelector<HTMLElement>(`[${DRAWN_CALLS}]`)?.getAttribute(DRAWN_CALLS)
    const stale = drawn !== undefined && drawn !== null && drawn !== openKey
    if (stale || (!same && (path === '/room' || path.startsWith('/machines/')))) redraw()
  }, [told, openKey, path, redraw])

  return (
    <section aria-label="Calls for help" aria-live="assertive" className="print:hidden">
      {!live && (
        <p className="border-b border-warning bg-base-200 px-4 py-1 text-center text-sm">
          Calls may be missing here: {lostWords(line)}. <SignInAgain {...line} />
        </p>
      )}
      {calls.length > 0 && (
        <ul className="mx-auto max-w-7xl px-4 pt-2">
          {calls.map((call) => (
            <OpenCall
              key={call.callId}
              call={call}
              personId={personId}
              at={told ? now - aheadMs : Date.parse(drawn.now)}
            />
          ))}
        </ul>
      )}
      {shown && <LeftLines left={shown.left} />}
    </section>
  )
}

/** One of them; whoever goes to one waits for no other. @param at now, by the server's clock */
function OpenCall({ call, personId, at }: { call: ShownCall; personId: string; at: number }) {
  const { busy, write } = useWrite()
  return (
    <li
      className={`mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-8 bg-base-200 px-4 py-2 ${call.about === 'hurt' ? 'border-l-error' : 'border-l-secondary'}`}
    >
      {call.about === 'hurt' ? (
        <HeartPulse className="size-7 text-error" aria-hidden="true" />
      ) : (
        <Hand className="size-7" aria-hidden="true" />
      )}
      <div className="min-w-48 flex-1">
        <p className="text-lg leading-tight">
          <strong>{call.about === 'hurt' ? `Somebody is hurt: ${call.who}` : `${call.who} calls`}</strong>
          {call.machineId === undefined ? (
            ', at no machine'
          ) : (
            <>
              {' at '}
              <Link className="link" href={`/machines/${call.machineId}`}>
                {call.where}
              </Link>
            </>
          )}
          , since {call.since} ({waited(at - Date.parse(call.calledAt))})
        </p>
        {call.words && <p className="text-sm">{call.words}</p>}
        {call.going && (
          <p className="text-sm font-semibold">
            {call.going.personId === personId ? 'You are going' : `${call.going.by} is going`}
            {waitsTooLong(call, at) === 'not-come' &&
              ` (${waited(at - Date.parse(call.going.at))}). Been there? Tap Done.`}
          </p>
        )}
      </div>
      <span className="flex gap-2">
        {call.going?.personId !== personId && (
          <button
            type="button"
            className="btn btn-primary"
            disabled={busy}
            aria-label={`I am going to ${call.who} at ${call.where}`}
            onClick={() =>
              void write('go-to-call', { callId: call.callId }, { done: `${call.who} sees that you are coming` })
            }
          >
            I am going
          </button>
        )}
        <button
          type="button"
          className="btn btn-outline"
          disabled={busy}
          aria-label={`Done: ${call.who} at ${call.where}`}
          onClick={() => void write('end-call', { callId: call.callId }, { done: 'Done' })}
        >
          Done
        </button>
      </span>
    </li>
  )
}
