'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import type { CheckStep } from '@/core/check/seat-check'
import { findFault, type FaultAnswer, type KnownOfFault } from '@/core/fault/fault'
import { CHECKS, type FaultCheck } from '@/core/knowledge/fault/fault-check'
import { SYMPTOM_WORDS, type Symptom } from '@/core/knowledge/fault/symptom'
import { counted } from '@/core/units/words'
import { StepPicture, type StepDrawn } from '@/ui/drawings/step-picture'
import { SymptomDrawing } from '@/ui/drawings/symptom'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { Choose } from './choose-symptom'
import { Explained } from '@/ui/parts/explained'

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

const WHO = { learner: '', staff: 'for staff', technician: 'for a technician' } as const

const minutes = (seconds: number) =>
  seconds < 60 ? counted(seconds, 'second') : counted(Math.round(seconds / 60), 'minute')

const chanceWords = (chance: number) =>
  chance >= 0.5
    ? 'most likely this'
    : chance >= 0.25
      ? 'quite likely this'
      : chance >= 0.1
        ? 'perhaps this'
        : 'seldom this'

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
    return (
      <section className="sheet border-l-8 border-l-error p-6">
        <h2 className="text-2xl font-bold">Stop. Unplug it at the wall now</h2>
        <p className="mt-2 text-lg">
          A smell, a spark, a shock or a damaged cord is for a licensed repairer. Nobody looks further than the plug,
          and nobody sews on {name}.
        </p>
        <div className="mt-4 flex flex-wrap gap-3">
          <button
            type="button"
            className="btn btn-error btn-lg"
            disabled={busy}
            onClick={() =>
              void log(
                machineId,
                'fault-opened',
                { fault: 'electrical', seen: SYMPTOM_WORDS[symptom] },
                { done: `${name} is stopped`, then: homeHref },
              ).then((landed) => landed && keep(undefined))
            }
          >
            It is unplugged: stop {name}
          </button>
          <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
            Back
          </button>
        </div>
        <FaultNote fault={fault} />
      </section>
    )
  }

  if (symptom === 'needle-breaks' && !props.brokenKnown && !broken && answers.length === 0) {
    return (
      <section className="sheet border-l-8 border-l-error p-6">
        <h2 className="text-2xl font-bold">Stop. Foot off the pedal, power off</h2>
        <p className="mt-2 text-lg">
          Glasses stay on. Find every piece: point, blade and shank, laid together to the whole length. Look on the
          cloth, in the case and under the plate. Nobody sews on {name} until each one lies on the table.
        </p>
        <div className="mt-4 flex flex-wrap gap-3">
          {role === 'staff' && (
            <button type="button" className="btn btn-primary btn-lg" disabled={busy} onClick={() => void itBroke(true)}>
              Every piece is found
            </button>
          )}
          <button type="button" className="btn btn-error btn-lg" disabled={busy} onClick={() => void itBroke(false)}>
            {role === 'staff' ? `Not every piece: stop ${name}` : `It broke: stop ${name} and call staff`}
          </button>
          <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
            It is whole
          </button>
        </div>
        <FaultNote fault={fault} />
      </section>
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
          <section className="sheet p-6" aria-live="polite" aria-label="Look at this next">
            <p className="text-sm">
              {minutes(next.seconds)} · {chanceWords(next.chance)} ({Math.round(next.chance * 100)} in 100)
              {WHO[next.who] && ` · ${WHO[next.who]}`}
            </p>
            <p className="text-3xl font-bold">{CHECKS[next.check].title}</p>
            <p className="mt-2 text-lg">
              <Explained text={next.how} />
            </p>
            {next.caution && <p className="mt-2 font-semibold text-secondary">{next.caution}</p>}
            {props.ways[next.check].length > 0 && (
              <>
                <h3 className="mt-4 font-bold">On {name}</h3>
                <ul>
                  {props.ways[next.check].map((way) => (
                    <li key={way.step} className="seam flex items-center gap-4 py-2">
                      <StepPicture drawing={way.drawing} drawn={props.drawn} size="h-16 w-20 shrink-0" />
                      <span>
                        <strong className="first-letter:uppercase">{way.title}.</strong> {way.how}
                      </span>
                    </li>
                  ))}
                </ul>
              </>
            )}
            <div className="mt-5 flex flex-wrap gap-3">
              <button type="button" className="btn btn-primary btn-lg" onClick={() => setFound(next.check)}>
                That was it
              </button>
              <button
                type="button"
                className="btn btn-outline btn-lg"
                onClick={() => keep({ ...run, answers: [...answers, { check: next.check, found: false }] })}
              >
                Not that
              </button>
              <button
                type="button"
                className="btn btn-ghost btn-lg"
                onClick={() => keep({ ...run, skipped: [...skipped, next.check] })}
              >
                Skip
              </button>
              <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
                Back
              </button>
            </div>
          </section>
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
          {answers.length > 0 && (
            <>
              <h3 className="font-bold">Looked at, and not that</h3>
              <ul className="mb-4">
                {answers.map(({ check }) => (
                  <li key={check}>{CHECKS[check].title}</li>
                ))}
              </ul>
            </>
          )}
          <h3 className="font-bold">After that</h3>
          <ol className="mb-4 list-decimal pl-6">
            {offered.slice(1, 6).map((each) => (
              <li key={each.check}>
                {CHECKS[each.check].title}
                <span className="text-sm">
                  {' '}
                  · {minutes(each.seconds)}
                  {WHO[each.who] && ` · ${WHO[each.who]}`}
                </span>
              </li>
            ))}
          </ol>
          {mayLook && ends}
          <FaultNote fault={fault} />
        </aside>
      </div>
    </>
  )
}
