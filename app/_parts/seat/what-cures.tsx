import { useState } from 'react'
import { CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOM_WORDS, type Symptom } from '@/core/knowledge/fault/symptom'
import type { LineBody } from '@/core/machine/event'
import { Tick } from '@/ui/fields/choice'

/** What is written down as wrong with a machine, and nobody has said the end of. */
export interface OpenHere {
  readonly eventId: string
  readonly fault: LineBody<'fault-cured'>['fault']
  readonly words: string
  /** what a technician is asked for */
  readonly technician?: string
}

/** What was found, and whether it is gone; what the book has as open may have been the same thing. */
export function WhatCures({
  found,
  symptom,
  open,
  busy,
  cured,
  stillThere,
  back,
  children,
}: {
  found: FaultCheck
  symptom: Symptom
  open: readonly OpenHere[]
  busy: boolean
  /** @param withIt what was cured with it */
  cured: (withIt: readonly OpenHere[]) => void
  stillThere: () => void
  back: () => void
  /** what was wrong with the last write */
  children: React.ReactNode
}) {
  const [same, setSame] = useState<ReadonlySet<string>>(
    () => new Set(open.filter(({ technician }) => technician === SYMPTOM_WORDS[symptom]).map(({ eventId }) => eventId)),
  )
  return (
    <section className="sheet p-6" aria-label="What cures it">
      <p className="text-sm">Found: {CHECKS[found].title}</p>
      <p className="mt-1 text-2xl font-bold">{CHECKS[found].remedy}</p>
      <p className="mt-2 text-lg">Do that, then sew a line on a scrap. Is it gone?</p>
      {open.length > 0 && (
        <fieldset className="mt-3">
          <legend>Written down before, and the same thing:</legend>
          {open.map(({ eventId, words }) => (
            <Tick
              key={eventId}
              label={words}
              value={same.has(eventId)}
              set={(is) => setSame(new Set([...same].filter((each) => each !== eventId).concat(is ? [eventId] : [])))}
            />
          ))}
        </fieldset>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <button
          type="button"
          className="btn btn-primary btn-lg"
          disabled={busy}
          onClick={() => cured(open.filter(({ eventId }) => same.has(eventId)))}
        >
          Yes, it is cured
        </button>
        <button type="button" className="btn btn-outline btn-lg" onClick={stillThere}>
          No, still there
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
          Back
        </button>
      </div>
      {children}
    </section>
  )
}
