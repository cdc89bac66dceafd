'use client'

import { Link } from '@/ui/parts/link'
import { useState } from 'react'
import { v5 } from 'uuid'
import type { BenchTask } from '@/core/care/before-class'
import { eventWords } from '@/core/machine/event'
import type { Traits } from '@/core/knowledge/machine/trait'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { StepPicture } from '@/ui/drawings/step-picture'
import { SeatCheck } from './seat/seat-check'
import type { Stop } from './bench-stops'

const LEADS = { check: '/check', 'room-check': '/check?list=room', swatch: '/swatch', 'by-others': '#care' } as const
const LEADS_WORDS = {
  check: 'Seat check',
  'room-check': 'Room check',
  swatch: 'Read a swatch',
  'by-others': 'When it was done …',
} as const

/** The id of a tick follows from what it is about: two people who tick it at once tick it once. */
export const tickId = ({ list, bookAt, machineId }: Stop, { id, title }: BenchTask): string =>
  v5([list, bookAt, id, title].join('|'), machineId)

/** One thing to do at a machine: said in a tap, or opened and said in place. It waits for no other: a walk is quicker than a network. */
export function BenchTaskRow({
  stop,
  task,
  said,
}: {
  stop: Stop
  task: BenchTask
  /** cautions that stand at the head of the list */
  said: ReadonlySet<string>
}) {
  const { machineId, name } = stop
  const [open, setOpen] = useState(false)
  const { busy, fault, log } = useWrite()
  return (
    <li className="mt-2 border-t border-dashed border-base-content/40 pt-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <div className="min-w-56 flex-1">
          <strong>{task.title}</strong>
          <span className="block text-sm">{task.because}</span>
          {task.caution && !said.has(task.caution) && (
            <span className="block text-sm text-secondary">{task.caution}</span>
          )}
          {task.looks && (
            <ul className="mt-1 flex flex-wrap gap-x-4 text-sm" aria-label="Look at each">
              {task.looks.map((look) => (
                <li key={look}>{look}</li>
              ))}
            </ul>
          )}
        </div>
        {task.event && (
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
                tickId(stop, task),
              )
            }
          >
            {task.looks ? 'All looked at, as it should be' : 'Done'}
          </button>
        )}
        {task.event && task.leadsTo && (
          <Link
            className="btn btn-ghost"
            aria-label={`Something is not so at ${name}: ${task.title}`}
            href={`/machines/${machineId}${LEADS[task.leadsTo]}`}
          >
            Something is not so
          </Link>
        )}
        {task.steps && (
          <button
            type="button"
            className="btn btn-outline btn-lg"
            aria-expanded={open}
            aria-label={`Look it over at ${name}: ${task.title}`}
            onClick={() => setOpen(!open)}
          >
            Look it over
          </button>
        )}
        {!task.event && !task.steps && task.leadsTo && (
          <Link className="btn btn-outline btn-lg" href={`/machines/${machineId}${LEADS[task.leadsTo]}`}>
            {LEADS_WORDS[task.leadsTo]}
          </Link>
        )}
      </div>
      <FaultNote fault={fault} />
      {task.how && <How stop={stop} steps={task.how} />}
      {task.steps && open && <InPlace stop={stop} steps={task.steps} close={() => setOpen(false)} />}
    </li>
  )
}

/** How it is done here, step by step; shut until somebody wants it. */
function How({ stop: { traits, dialSet }, steps }: { stop: Stop; steps: NonNullable<BenchTask['how']> }) {
  return (
    <details className="mt-1">
      <summary className="link inline-flex min-h-11 cursor-pointer items-center">How, step by step</summary>
      <ol className="mt-1 grid gap-x-6 gap-y-3 sm:grid-cols-2">
        {steps.map(({ step, title, how, caution, drawing }) => (
          <li key={step} className={drawing ? 'grid grid-cols-[5rem_1fr] gap-x-3' : ''}>
            {drawing && (
              <StepPicture drawing={drawing} drawn={{ traits: traits ?? NOTHING_KNOWN, set: dialSet }} size="h-16" />
            )}
            <span>
              <strong className="block first-letter:uppercase">{title}</strong>
              {how}
              {caution && <span className="block font-semibold text-secondary">{caution}</span>}
            </span>
          </li>
        ))}
      </ol>
    </details>
  )
}

/** The seat check where one stands, without another page. */
function InPlace({
  stop: { machineId, name, traits, dialSet, projectId },
  steps,
  close,
}: {
  stop: Stop
  steps: NonNullable<BenchTask['steps']>
  close: () => void
}) {
  return (
    <section aria-label={`Seat check of ${name}`} className="mt-3">
      <SeatCheck
        machineId={machineId}
        {...(projectId && { projectId })}
        steps={steps}
        drawn={{ traits: traits ?? NOTHING_KNOWN, set: dialSet }}
        inPlace={close}
        swatchHref={`/machines/${machineId}/swatch`}
        homeHref={`/machines/${machineId}`}
        faultHref={`/machines/${machineId}/fault`}
      />
    </section>
  )
}

const NOTHING_KNOWN: Traits = {}
