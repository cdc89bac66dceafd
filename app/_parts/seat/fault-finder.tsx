'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { CheckStep } from '@/core/check/seat-check'
import { findFault, type FaultAnswer, type KnownOfFault } from '@/core/fault/fault'
import { CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOM_WORDS, type Symptom } from '@/core/knowledge/fault/symptom'
import type { StepDrawn } from '@/ui/drawings/step-picture'
import { SymptomDrawing } from '@/ui/drawings/symptom'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { Choose } from './choose-symptom'
import { BreakStop, ElectricalStop } from './fault-stops'
import { LookedAt, LookNext } from './look-next'

interface Props {
  readonly machineId: string
  readonly name: string
  readonly projectId?: string
  readonly known: KnownOfFault
  readonly cures: Readonly<Record<string, Readonly<Partial<Record<FaultCheck, number>>>>>
  readonly ways: Readonly<Record<FaultCheck, readonly CheckStep[]>>
  readonly drawn: StepDrawn
  /** where it starts, from a check or a swatch that did not pass */
  readonly symptom?: Symptom
  /** a break is in the book already, and not every piece is found or no needle is in it */
  readonly brokenKnown: boolean
  readonly role: 'learner' | 'staff'
  readonly homeHref: string
}

interface Run {
  readonly symptom: Symptom | null
  readonly answers: readonly FaultAnswer[]
  readonly skipped: readonly FaultCheck[]
}

/** From what is seen to the next cheapest thing to look at, one at a time, this machine's way. */
export function FaultFinder(props: Props) {
  const { machineId, name, role, homeHref } = props
  const [run, keep] = useKept<Run>(`finder-${machineId}-${props.symptom ?? ''}`, {
    symptom: props.symptom ?? null,
    answers: [],
    skipped: [],
  })
  const [found, setFound] = useState<FaultCheck>()
  const [broken, setBroken] = useState(false)
  const { busy, fault, log } = useWrite()
  const router = useRouter()
  const { symptom, answers, skipped } = run

  if (!symptom) return <Choose choose={(chosen) => keep({ symptom: chosen, answers: [], skipped: [] })} />
  const advice = findFault({
    symptom,
    known: props.known,
    answers,
    cures: props.cures[symptom] ?? {},
  })

  const end = async (outcome: 'cured' | 'handed-on' | 'red-tag' | 'service' | 'left', cured?: FaultCheck) => {
    const done = {
      cured: 'Cured, and written down',
      'handed-on': 'Staff are called: above you see when somebody comes',
      'red-tag': 'Written down',
      service: 'Written down for a technician',
      left: 'Left as it is',
    }[outcome]
    const body = {
      symptom,
      answers: cured ? [...answers, { check: cured, found: true }] : answers,
      outcome,
      ...(cured && { cured }),
      ...(props.projectId && { projectId: props.projectId }),
    }
    if (
      outcome === 'red-tag' &&
      !(await log(machineId, 'red-tagged', { because: SYMPTOM_WORDS[symptom] }, { done: 'Red tag on' }))
    )
      return
    // A call is taken back where it is shown, not by undoing a line.
    const called = outcome === 'handed-on' ? ({ forGood: true } as const) : {}
    if (await log(machineId, 'fault-run', body, { done, then: homeHref, ...called })) keep(undefined)
  }
  /** The break itself, before anything is looked for: the machine is stopped and the needle is out of it. */
  const itBroke = async (piecesFound: boolean) => {
    const said = piecesFound ? 'Written down; now find out why' : `${name} is stopped until every piece is found`
    if (!(await log(machineId, 'needle-broke', { piecesFound }, { done: said }))) return
    setBroken(true)
    if (role === 'learner') await end('handed-on')
  }
  const back = () => {
    setFound(undefined)
    if (answers.length === 0 && skipped.length === 0) keep({ symptom: null, answers: [], skipped: [] })
    else if (skipped.length > 0) keep({ ...run, skipped: skipped.slice(0, -1) })
    else keep({ ...run, answers: answers.slice(0, -1) })
  }

  if (advice.stop) {
    const stop = async () => {
      const seen = SYMPTOM_WORDS[symptom]
      const said = { done: `${name} is stopped`, then: homeHref }
      if (await log(machineId, 'fault-opened', { fault: 'electrical', seen }, said)) keep(undefined)
    }
    return (
      <ElectricalStop name={name} busy={busy} back={back} stop={() => void stop()}>
        <FaultNote fault={fault} />
      </ElectricalStop>
    )
  }

  if (symptom === 'needle-breaks' && !props.brokenKnown && !broken && answers.length === 0) {
    return (
      <BreakStop name={name} busy={busy} back={back} role={role} broke={(all) => void itBroke(all)}>
        <FaultNote fault={fault} />
      </BreakStop>
    )
  }

  const offered = advice.checks.filter(({ check }) => !skipped.includes(check))
  const next = offered[0]
  const ends = (
    <div className="flex flex-wrap gap-2">
      {role === 'learner' ? (
        <button type="button" className="btn btn-outline" disabled={busy} onClick={() => void end('handed-on')}>
          Call staff
        </button>
      ) : (
        <>
          <button type="button" className="btn btn-outline" disabled={busy} onClick={() => void end('red-tag')}>
            Red tag it
          </button>
          <button type="button" className="btn btn-outline" disabled={busy} onClick={() => void end('service')}>
            For a technician
          </button>
        </>
      )}
      <button
        type="button"
        className="btn btn-ghost"
        onClick={() => {
          keep(undefined)
          router.push(homeHref)
        }}
      >
        Leave it
      </button>
    </div>
  )
  const heading = (
    <div className="mb-4 flex items-center gap-4">
      <SymptomDrawing symptom={symptom} className="h-14" />
      <div>
        <h2 className="text-2xl font-bold">{SYMPTOM_WORDS[symptom]}</h2>
        {advice.because.length > 0 && <p className="text-sm">Known already: {advice.because.join(' ')}</p>}
      </div>
    </div>
  )

  if (found) {
    return (
      <>
        {heading}
        <section className="sheet p-6" aria-label="What cures it">
          <p className="text-sm">Found: {CHECKS[found].title}</p>
          <p className="mt-1 text-2xl font-bold">{CHECKS[found].remedy}</p>
          <p className="mt-2 text-lg">Do that, then sew a line on a scrap. Is it gone?</p>
          <div className="mt-4 flex flex-wrap gap-3">
            <button
              type="button"
              className="btn btn-primary btn-lg"
              disabled={busy}
              onClick={() => void end('cured', found)}
            >
              Yes, it is cured
            </button>
            <button
              type="button"
              className="btn btn-outline btn-lg"
              onClick={() => {
                keep({ ...run, answers: [...answers, { check: found, found: false }] })
                setFound(undefined)
              }}
            >
              No, still there
            </button>
            <button type="button" className="btn btn-ghost btn-lg" onClick={() => setFound(undefined)}>
              Back
            </button>
          </div>
          <FaultNote fault={fault} />
        </section>
      </>
    )
  }
  const mayLook = next && (role === 'staff' ? next.who !== 'technician' : next.who === 'learner')
  return (
    <>
      {heading}
      <div className="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        {next && mayLook ? (
          <LookNext
            next={next}
            name={name}
            ways={props.ways[next.check]}
            drawn={props.drawn}
            found={() => setFound(next.check)}
            notThat={() => keep({ ...run, answers: [...answers, { check: next.check, found: false }] })}
            skip={() => keep({ ...run, skipped: [...skipped, next.check] })}
            back={back}
          />
        ) : (
          <section className="sheet p-6" aria-label="Hand it on">
            <p className="text-2xl font-bold">
              {!next
                ? 'Everything here has been looked at'
                : next.who === 'technician'
                  ? 'What is left is for a technician'
                  : `Next is for staff: ${CHECKS[next.check].title.toLowerCase()}`}
            </p>
            <p className="mt-2">Nothing is lost: what you looked at is written down with it.</p>
            <div className="mt-4 flex flex-wrap gap-3">
              {ends}
              <button type="button" className="btn btn-ghost" onClick={back}>
                Back
              </button>
            </div>
          </section>
        )}
        <aside>
          <LookedAt answers={answers} after={offered.slice(1, 6)} />
          {mayLook && ends}
          <FaultNote fault={fault} />
        </aside>
      </div>
    </>
  )
}
