'use client'

import type { BenchTask } from '@/core/care/before-class'
import type { LineBody } from '@/core/machine/event'
import { threadWords } from '@/ui/words'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import type { Stop } from './bench-stops'
import { tickId } from './bench-task'

interface Winding {
  readonly stop: Stop
  readonly task: BenchTask
  readonly body: LineBody<'bobbin-wound'>
  readonly count: number
  readonly words: string
}

/** What is wound, by thread: whoever stands at the winder puts one spool on once. The finest first, then by table. */
function windings(walk: readonly Stop[]): [string, Winding[]][] {
  const byThread = new Map<string, { tex: number; all: Winding[] }>()
  for (const stop of walk)
    for (const task of stop.tasks) {
      if (task.event?.kind !== 'bobbin-wound' || !task.event.body.thread) continue
      const { thread, count } = task.event.body
      const key = threadWords(thread)
      const own = byThread.get(key) ?? { tex: thread.tex, all: [] }
      own.all.push({ stop, task, body: task.event.body, count, words: stop.bobbins ? `, class ${stop.bobbins}` : '' })
      byThread.set(key, own)
    }
  return [...byThread].sort(([, a], [, b]) => a.tex - b.tex).map(([key, { all }]) => [key, all])
}

/** Every bobbin that the walk wants, thread by thread. */
export function BobbinsFirst({ walk }: { walk: readonly Stop[] }) {
  const threads = windings(walk)
  if (threads.length === 0) return null
  return (
    <section aria-label="Bobbins to wind" className="sheet mt-4 p-4">
      <h2 className="text-2xl font-bold">Wind first, thread by thread</h2>
      <ul>
        {threads.map(([thread, all]) => (
          <ThreadToWind key={thread} thread={thread} all={all} />
        ))}
      </ul>
    </section>
  )
}

/** One tap says that a thread is wound for one machine, or for all of them. */
function ThreadToWind({ thread, all }: { thread: string; all: readonly Winding[] }) {
  const { busy, fault, log, logEach } = useWrite()
  const total = all.reduce((sum, { count }) => sum + count, 0)
  return (
    <li className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-dashed border-base-content/40 pt-2">
      <div className="min-w-56 flex-1">
        <strong>
          {total} × {thread}
        </strong>
        <ul className="flex flex-wrap gap-x-2 text-sm">
          {all.map(({ stop, task, body, count, words }) => (
            <li key={stop.machineId}>
              <button
                type="button"
                className="btn btn-outline btn-sm min-h-11 px-3 font-normal"
                disabled={busy}
                aria-label={`Done at ${stop.name}: ${task.title}`}
                onClick={() =>
                  void log(
                    stop.machineId,
                    'bobbin-wound',
                    body,
                    { done: `${stop.name}: ${count === 1 ? 'a bobbin' : `${count} bobbins`} wound` },
                    tickId(stop, task),
                  )
                }
              >
                {stop.name} {count}
                {words}
              </button>
            </li>
          ))}
        </ul>
        <FaultNote fault={fault} />
      </div>
      <button
        type="button"
        className="btn btn-outline btn-lg"
        disabled={busy}
        aria-label={`All wound: ${thread}`}
        onClick={() =>
          void logEach(
            all.map(({ stop, task, body }) => ({
              machineId: stop.machineId,
              kind: 'bobbin-wound' as const,
              body,
              named: tickId(stop, task),
            })),
            `${total} of ${thread} wound, for ${all.map(({ stop }) => stop.name).join(', ')}`,
          )
        }
      >
        All wound
      </button>
    </li>
  )
}
