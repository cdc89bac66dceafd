'use client'

import { waitsTooLong } from '@/core/people/call-wait'
import { useWrite } from '@/ui/parts/use-write'
import type { EventOf, ShownCall, ShownLeft } from '@/core/wire/asks'
import { lostWords } from '../live/as-of'
import { useNow, useToldFrom } from '../live/use-told'

/** What became of a learner's own call, on every page of theirs. */
export function OwnCalls({ drawn }: { drawn: EventOf<'calls'> }) {
  const line = useToldFrom('calls', drawn)
  const { told, shown: as, live, aheadMs } = line
  const now = useNow()
  // Of what is over that alone is told which somebody ended; a newer call stands in the place of the other.
  const calls = (as?.calls ?? []).filter((call) =>
    call.about === 'visit'
      ? !call.ended && !(told && waitsTooLong(call, now - aheadMs))
      : call.ended?.how !== 'anew' && call.ended?.how !== 'lapsed',
  )
  const { busy, write } = useWrite()
  const shown = [...calls.filter(({ ended }) => !ended), ...calls.filter(({ ended }) => ended).slice(0, 1)]
  return (
    <section aria-label="Your call" aria-live="polite" className="print:hidden">
      {shown.map((call) => (
        <div
          key={call.callId}
          className={`mx-auto max-w-7xl border-l-8 bg-base-200 px-4 py-2 ${call.about === 'hurt' ? 'border-l-error' : 'border-l-secondary'}`}
        >
          <p className="text-lg font-semibold">{progress(call)}</p>
          <TooLong of={told && waitsTooLong(call, now - aheadMs)} by={call.going?.by} />
          {!call.ended && !live && (
            <p className="text-error">Nothing new comes here: {lostWords(line)}. Put your hand up, too.</p>
          )}
          {!call.ended && call.about === 'help' && (
            <button
              type="button"
              className="btn btn-outline btn-sm mt-1 min-h-11"
              disabled={busy}
              onClick={() => void write('take-call-back', { callId: call.callId }, { done: 'Your call is taken back' })}
            >
              I need nobody any more
            </button>
          )}
        </div>
      ))}
      {as?.left.map((line) => (
        <p key={line.lineId} className="mx-auto max-w-7xl border-l-8 border-l-warning bg-base-200 px-4 py-2">
          <strong>
            {line.words}, {line.at}
          </strong>
          : {becameOf(line)}
        </p>
      ))}
    </section>
  )
}

/** What else to do than to wait. */
function TooLong({ of, by }: { of: ReturnType<typeof waitsTooLong>; by: string | undefined }) {
  if (!of) return null
  if (of === 'not-come')
    return <p className="font-semibold">{by} is not with you yet? Put your hand up, and call again.</p>
  return (
    <p className="font-semibold text-error">
      {of === 'on-no-screen' ? 'Nobody has it on a screen yet.' : 'Nobody has said yet that they come.'} Put your hand
      up, or go and tell somebody.
    </p>
  )
}

function becameOf({ because, decided, where }: ShownLeft): string {
  if (!decided) return `not in the book of ${where} yet. ${because}. Staff have it and decide.`
  return decided.taken ? `${decided.by} has put it in the book of ${where}.` : `${decided.by} has left it out.`
}

function progress({ about, since, seen, going, ended }: ShownCall): string {
  if (about === 'visit') return `${going?.by ?? 'Somebody'} is coming to you`
  const called = about === 'hurt' ? `Told at ${since} that somebody is hurt` : `Called at ${since}`
  if (ended) return ended.how === 'done' ? `${called}: done` : `${called}: taken back`
  if (going) return `${called}: ${going.by} is coming to you`
  if (seen) return `${called}, on a screen of staff since ${seen.at}`
  return `${called}, on no screen of staff yet`
}
