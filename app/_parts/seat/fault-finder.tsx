'use client'

import { useDeferredValue, useMemo } from 'react'
import type { CheckStep } from '@/core/check/seat-check'
import type { KnownOfFault } from '@/core/fault/fault'
import { CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOM_WORDS, type Symptom } from '@/core/knowledge/fault/symptom'
import type { StepDrawn } from '@/ui/drawings/step-picture'
import { SymptomPicture } from '@/ui/picture/symptom-picture'
import { FaultNote } from '@/ui/parts/fault-note'
import { useGo } from '@/ui/parts/going'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { Choose } from './choose-symptom'
import { BreakStop, ElectricalStop } from './fault-stops'
import { WhatCures, type OpenHere } from './what-cures'
import { finding, findingFrom, runLine, standOf, type Finding, type FoundSaid } from './finding'
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
  /** what is written down as wrong with it already; empty for whoever may not say that it is cured */
  readonly open: readonly OpenHere[]
  readonly role: 'learner' | 'staff'
  readonly homeHref: string
}

/** From what is seen to the next cheapest thing to look at, one at a time, this machine's way. */
export function FaultFinder(props: Props) {
  const { machineId, name, role, homeHref } = props
  const first = useMemo(() => findingFrom(props.symptom), [props.symptom])
  const [newest, keep] = useKept<Finding>(`finder-${machineId}-${props.symptom ?? ''}`, first)
  // A slow phone answers a tap at once, and draws what follows from it in its own time; until then no other tap counts.
  const found = useDeferredValue(newest)
  const say = (said: FoundSaid) => {
    if (found === newest) keep(finding(found, said))
  }
  const back = () => say({ say: 'back' })
  const { busy, fault, log } = useWrite()
  const go = useGo()
  const stand = standOf(found, props)
  if (stand.ask === 'symptom')
    return <Choose chosen={newest.symptom} choose={(symptom) => say({ say: 'symptom', symptom })} />
  const { symptom } = stand

  const end = async (
    outcome: 'cured' | 'handed-on' | 'red-tag' | 'service' | 'left',
    cured?: FaultCheck,
    withIt: readonly OpenHere[] = [],
  ) => {
    const done = {
      cured: 'Cured, and written down',
      'handed-on': 'Staff are called: above you see when somebody comes',
      'red-tag': 'Written down',
      service: 'Written down for a technician',
      left: 'Left as it is',
    }[outcome]
    const body = runLine(newest, symptom, outcome, { cured, projectId: props.projectId })
    if (
      outcome === 'red-tag' &&
      !(await log(machineId, 'red-tagged', { because: SYMPTOM_WORDS[symptom] }, { done: 'Red tag on' }))
    )
      return
    if (cured)
      for (const { fault, eventId } of withIt) {
        const same = { fault, cure: CHECKS[cured].remedy, opened: eventId }
        if (!(await log(machineId, 'fault-cured', same, { done }))) return
      }
    // A call is taken back where it is shown, not by undoing a line.
    const called = outcome === 'handed-on' ? ({ forGood: true } as const) : {}
    if (await log(machineId, 'fault-run', body, { done, then: homeHref, ...called })) keep(undefined)
  }
  /** The break itself, before anything is looked for: the machine is stopped and the needle is out of it. */
  const itBroke = async (piecesFound: boolean) => {
    const said = piecesFound ? 'Written down; now find out why' : `${name} is stopped until every piece is found`
    if (!(await log(machineId, 'needle-broke', { piecesFound }, { done: said }))) return
    say({ say: 'broke' })
    if (role === 'learner') await end('handed-on')
  }

  if (stand.ask === 'electrical') {
    const stop = async () => {
      const seen = SYMPTOM_WORDS[symptom]
      const said = { done: `${name} is stopped`, ...(role === 'staff' && { then: homeHref }) }
      if (!(await log(machineId, 'fault-opened', { fault: 'electrical', seen }, said))) return
      if (role === 'learner') await end('handed-on')
      else keep(undefined)
    }
    return (
      <ElectricalStop name={name} role={role} busy={busy} back={back} stop={() => void stop()}>
        <FaultNote fault={fault} />
      </ElectricalStop>
    )
  }
  if (stand.ask === 'pieces') {
    return (
      <BreakStop name={name} busy={busy} back={back} role={role} broke={(all) => void itBroke(all)}>
        <FaultNote fault={fault} />
      </BreakStop>
    )
  }

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
          go(homeHref)
        }}
      >
        Leave it
      </button>
    </div>
  )
  const heading = (
    <div className="mb-4 flex items-center gap-4">
      <SymptomPicture symptom={symptom} className="w-40 shrink-0" />
      <div>
        <h2 className="text-2xl font-bold">{SYMPTOM_WORDS[symptom]}</h2>
        {stand.advice.because.length > 0 && <p className="text-sm">Known already: {stand.advice.because.join(' ')}</p>}
      </div>
    </div>
  )

  if (stand.ask === 'cured') {
    return (
      <>
        {heading}
        <WhatCures
          found={stand.found}
          symptom={symptom}
          open={props.open}
          busy={busy}
          cured={(withIt) => void end('cured', stand.found, withIt)}
          stillThere={() => say({ say: 'still-there' })}
          back={back}
        >
          <FaultNote fault={fault} />
        </WhatCures>
      </>
    )
  }
  return (
    <>
      {heading}
      <div className="grid grid-cols-1 gap-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        {stand.ask === 'look' ? (
          <LookNext
            next={stand.next}
            name={name}
            ways={props.ways[stand.next.check]}
            drawn={props.drawn}
            found={() => say({ say: 'found', check: stand.next.check })}
            notThat={() => say({ say: 'not-that', check: stand.next.check })}
            skip={() => say({ say: 'skip', check: stand.next.check })}
            back={back}
          />
        ) : (
          <section className="sheet p-6" aria-label="Hand it on">
            <p className="text-2xl font-bold">
              {!stand.next
                ? 'Everything here has been looked at'
                : stand.next.who === 'technician'
                  ? 'What is left is for a technician'
                  : `Next is for staff: ${CHECKS[stand.next.check].title.toLowerCase()}`}
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
          <LookedAt answers={found.answers} after={stand.after} />
          {stand.ask === 'look' && ends}
          <FaultNote fault={fault} />
        </aside>
      </div>
    </>
  )
}
