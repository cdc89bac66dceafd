'use client'

import { Link } from '@/ui/parts/link'
import { useState } from 'react'
import type { Lock } from '@/core/machine/state'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export interface StoppedBy extends Pick<Lock, 'kind' | 'because' | 'eventId' | 'list'> {
  readonly mayLift: boolean
  /** who can, for those who cannot */
  readonly whoCan: string
}

interface Way {
  readonly kind: 'pieces-found' | 'released' | 'red-tag-lifted' | 'serviced'
  readonly button: string
  /** what has to be said; absent: one tap */
  readonly asks?: string
  readonly done: string
}

const PIECES: Way = { kind: 'pieces-found', button: 'All pieces found', done: 'Released: every piece is found' }
const WAYS: Readonly<Record<Lock['kind'], readonly Way[]>> = {
  'broken-needle': [PIECES],
  'red-tag': [{ kind: 'red-tag-lifted', button: 'Lift red tag …', asks: 'Why it may run again', done: 'Red tag off' }],
  electrical: [
    {
      kind: 'serviced',
      button: 'Licensed repair …',
      asks: 'By whom (licensed)',
      done: 'Licensed repair written down',
    },
  ],
  'failed-check': [],
}
const RELEASE: Way = {
  kind: 'released',
  button: 'Case opened: release …',
  asks: 'What was looked into, and why it may run',
  done: 'Released',
}

/** A stopped machine begins with why, and with what lets it run again, for those who may say so. */
export function Stopped({
  machineId,
  name,
  locks,
  mayRelease,
}: {
  machineId: string
  name: string
  locks: readonly StoppedBy[]
  mayRelease: boolean
}) {
  const { busy, fault, log } = useWrite()
  const [asking, setAsking] = useState<Way>()
  const [text, setText] = useState('')
  const say = (way: Way, body: object) =>
    void log(machineId, way.kind, body, { done: way.done }).then((landed) => {
      if (!landed) return
      setAsking(undefined)
      setText('')
    })
  const kinds = [...new Set(locks.map(({ kind }) => kind))]
  return (
    <section className="sheet mt-3 border-l-8 border-l-error p-4" aria-label={`Why ${name} is stopped`}>
      {kinds.map((kind) => {
        const own = locks.filter((lock) => lock.kind === kind)
        const ways = [...WAYS[kind], ...(kind === 'broken-needle' && mayRelease ? [RELEASE] : [])]
        return (
          <div key={kind} className="flex flex-wrap items-center gap-x-4 gap-y-2 py-1">
            <div className="min-w-64 flex-1 text-lg">
              {own.map(({ eventId, because }) => (
                <p key={eventId} className="font-semibold">
                  {because}
                </p>
              ))}
              {kind === 'broken-needle' && (
                <p className="text-base">
                  Power off, glasses on. Point, blade and shank laid together; look in the case and under the plate.
                </p>
              )}
              {!own[0]!.mayLift && <p className="text-base">{own[0]!.whoCan}.</p>}
            </div>
            {own[0]!.mayLift &&
              ways.map((way) => (
                <button
                  key={way.kind}
                  type="button"
                  className={`btn btn-lg ${way === PIECES ? 'btn-secondary' : 'btn-outline'}`}
                  disabled={busy}
                  aria-expanded={way.asks ? asking === way : undefined}
                  onClick={() => (way.asks ? setAsking(asking === way ? undefined : way) : say(way, {}))}
                >
                  {way.button}
                </button>
              ))}
            {kind === 'failed-check' && (
              <Link
                className="btn btn-outline btn-lg"
                href={`/machines/${machineId}/check?${own.some(({ list }) => list === 'room') ? 'list=room' : 'only=all'}`}
              >
                Check it again
              </Link>
            )}
          </div>
        )
      })}
      {asking?.asks && (
        <form
          className="mt-2 flex flex-wrap items-end gap-3"
          onSubmit={(submitted) => {
            submitted.preventDefault()
            say(asking, asking.kind === 'serviced' ? { by: text, electrical: true } : { because: text })
          }}
        >
          <div className="min-w-64 flex-1">
            <Text label={asking.asks} most={500} value={text} set={setText} />
          </div>
          <button type="submit" className="btn btn-primary" disabled={busy}>
            Write it down
          </button>
        </form>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}
