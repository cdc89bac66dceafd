'use client'

import Link from 'next/link'
import { v5 } from 'uuid'
import type { BenchTask } from '@/core/care/before-class'
import { eventWords } from '@/core/machine/event'
import type { StandingWord } from '@/core/machine/standing'
import { StandingMark } from '@/ui/drawings/standing-mark'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export interface Stop {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly standing: StandingWord
  readonly because: readonly string[]
  readonly tasks: readonly BenchTask[]
  /** the last line of its book, and whose list this is: with the task they name the tick */
  readonly bookAt: string
  readonly list: string
  readonly who?: string
  readonly what?: string
}

const LEADS = { check: 'check', 'room-check': 'check?list=room', swatch: 'swatch' } as const
const LEADS_WORDS = { check: 'Seat check', 'room-check': 'Room check', swatch: 'Read a swatch' } as const

/** Machines in walking order, each with what is to be done: a tap is the line in its book. */
export function BenchStops({ walk }: { walk: readonly Stop[] }) {
  const { busy, fault, log } = useWrite()
  return (
    <>
      <FaultNote fault={fault} />
      <ol className="mt-4 flex flex-col gap-4" aria-label="Machines in walking order">
        {walk.map(({ machineId, name, number, standing, because, tasks: toDo, bookAt, list, who, what }) => (
          <li key={machineId} className="sheet p-4">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
              <h2 className="text-2xl font-bold">
                <Link href={`/machines/${machineId}`}>{name}</Link>
              </h2>
              <span>no. {number}</span>
              <StandingMark standing={standing} />
              {who && (
                <span>
                  {who}: {what}
                </span>
              )}
              {toDo.length === 0 && standing !== 'stopped' && <span className="ml-auto">as it should be</span>}
            </div>
            {standing === 'stopped' && <p className="mt-1 text-error">{because[0]}</p>}
            <ul>
              {toDo.map((task) => (
                <li
                  key={task.id}
                  className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-dashed border-base-content/40 pt-2"
                >
                  <div className="min-w-56 flex-1">
                    <strong>{task.title}</strong>
                    <span className="block text-sm">{task.because}</span>
                    {task.caution && <span className="block text-sm text-secondary">{task.caution}</span>}
                  </div>
                  {task.event ? (
                    <button
                      type="button"
                      className="btn btn-outline btn-lg"
                      disabled={busy}
                      aria-label={`Done at ${name}: ${task.title}`}
                      onClick={() =>
                        void log(
                          machineId,
                          task.event!.kind,
                          task.event!.body,
                          { done: `${name}: ${eventWords(task.event!).title}` },
                          v5([list, bookAt, task.id, task.title].join('|'), machineId),
                        )
                      }
                    >
                      Done
                    </button>
                  ) : (
                    task.leadsTo && (
                      <Link className="btn btn-outline btn-lg" href={`/machines/${machineId}/${LEADS[task.leadsTo]}`}>
                        {LEADS_WORDS[task.leadsTo]}
                      </Link>
                    )
                  )}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </>
  )
}
