'use client'

import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useState } from 'react'
import { toast } from 'sonner'
import { loadLogDialog } from '../load-log-dialog'
import { keepLoadedParts, keepPages } from '@/ui/offline/kept'
import { landWaiting, type Lands } from '@/ui/offline/land'
import { dropWaiting, onWaiting, readWaiting, refuseWaiting, type WaitingLine } from '@/ui/offline/waiting'
import { ask } from '@/ui/ask'
import { timeIn } from '@/ui/time'

/** Who sits at a desk is wired, and keeps what they open; what is carried keeps what may be needed. */
const atADesk = (): boolean => !window.matchMedia('(pointer: coarse)').matches

/** What whoever carries this device may need, whether they have opened it or not. */
async function carriedPages(): Promise<readonly string[]> {
  if (atADesk()) return []
  const asked = await ask('kept-pages')
  if (!asked.ok) throw new Error(asked.error.message)
  return asked.answer.paths
}

/** What waits is tried again this often, should nobody say that the network is back. */
const AGAIN_MS = 10_000

/** Keeps this device able to work without a network, and shows what waits for it. */
export function Offline({
  personId,
  staffDecide,
  handsOver,
  logs,
  timeZone,
}: Lands & {
  /** whether this person types lines from anywhere */
  logs: boolean
  timeZone: string
}) {
  const [waiting, setWaiting] = useState<readonly WaitingLine[]>([])
  const router = useRouter()

  const land = useCallback(async () => {
    const { lines, left, others } = await landWaiting({ personId, staffDecide, handsOver })
    if (lines + left + others === 0) return
    if (lines > 0)
      toast.success(lines === 1 ? 'The line that waited has landed' : `${lines} lines that waited have landed`)
    if (left > 0) toast.message(`${left === 1 ? 'A line was' : `${left} lines were`} not taken: staff have it now`)
    if (others > 0)
      toast.message(
        `${others === 1 ? 'A line of somebody else' : `${others} lines of others`} waited here: staff have it now`,
      )
    router.refresh()
  }, [personId, staffDecide, handsOver, router])

  useEffect(() => {
    // Who writes on this device just now; a line that waits is theirs.
    document.documentElement.dataset['person'] = personId
    const look = () => void readWaiting().then(setWaiting)
    look()
    const stop = onWaiting(look)
    const again = setInterval(() => void land(), AGAIN_MS)
    const online = () => void land()
    window.addEventListener('online', online)
    void land()
    return () => {
      stop()
      clearInterval(again)
      window.removeEventListener('online', online)
    }
  }, [personId, land])

  useEffect(() => {
    if (!('serviceWorker' in navigator)) return
    void navigator.serviceWorker
      .register('/offline.js')
      .then(() => navigator.serviceWorker.ready)
      // What a page loads only once it is wanted is wanted without a network, too. Pages are many: a browser lists no more than some
      // hundred things that it has loaded, so parts come first.
      .then(() => (logs ? loadLogDialog() : undefined))
      .then(keepLoadedParts)
      .then(() => keepPages(personId, carriedPages, logs))
      .then(
        () => (document.documentElement.dataset['kept'] = ''),
        // Without a network, or where the browser keeps nothing: everything else works as it does.
        () => undefined,
      )
  }, [personId, logs])

  if (waiting.length === 0) return null
  const mine = waiting.filter((line) => line.personId === personId)
  const refused = mine.filter((line) => line.refused)
  const others = waiting.filter((line) => !mine.includes(line))
  // What staff could not be asked about stands here with why.
  const shown = handsOver ? [...mine, ...others.filter((line) => line.refused)] : mine
  return (
    <section aria-label="What waits" className="border-b border-base-300 bg-base-200 print:hidden">
      <div className="mx-auto max-w-7xl px-4 py-2">
        <p role="status">
          {mine.length > refused.length && (
            <strong>
              {mine.length - refused.length === 1 ? '1 line waits' : `${mine.length - refused.length} lines wait`} for
              the network.{' '}
            </strong>
          )}
          {others.length > 0 &&
            `${others.length === 1 ? 'A line of somebody else waits' : `${others.length} lines of others wait`} here for them to sign in.`}
        </p>
        <ul>
          {shown.map((line) => (
            <li key={line.commandId} className="flex flex-wrap items-center gap-x-4">
              <span className="grow">
                {line.words}, {timeIn(new Date(line.body.happenedAt), timeZone)}
                {line.refused && <strong className="block text-error">Not taken: {line.refused.message}</strong>}
              </span>
              {line.refused && (
                <button
                  type="button"
                  className="btn btn-outline btn-sm min-h-11"
                  onClick={() => void refuseWaiting(line, undefined).then(land)}
                >
                  Try again
                </button>
              )}
              <button
                type="button"
                className="btn btn-ghost btn-sm min-h-11"
                onClick={() => void dropWaiting(line.seq)}
                aria-label={`Drop: ${line.words}`}
              >
                Drop it
              </button>
            </li>
          ))}
        </ul>
      </div>
    </section>
  )
}
