'use client'

import { useState } from 'react'
import Link from 'next/link'
import type { Point } from '@/core/knowledge/needle/needle'
import { NEEDLE_OUT } from '@/core/knowledge/check/needle-out'
import type { CheckStep } from '@/core/check/seat-check'
import type { Traits } from '@/core/knowledge/machine/trait'
import { NeedlePlan } from '@/ui/drawings/needle'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { needleWords } from '@/ui/words'
import { OneStep } from './one-step'

interface Choice {
  readonly point: Point
  readonly sizeNm: number
  readonly gapMm?: number
}

interface Props {
  readonly machine: {
    readonly machineId: string
    readonly name: string
    readonly system: string
    readonly traits: Traits
  }
  /** how it is done on this machine, power off first */
  readonly steps: readonly CheckStep[]
  readonly catalogue: readonly {
    point: Point
    words: string
    sizes: readonly number[]
    gaps: readonly { gapMm: number; sizes: readonly number[] }[]
  }[]
  readonly old?: {
    readonly point: Point
    readonly sizeNm: number
    readonly gapMm?: number
    readonly condition: string
    readonly hours: number
    readonly due: string
    readonly because: string
  }
  readonly kit?: Choice & { readonly whose: string }
}

/** Why a needle comes out, as it is asked here; each says what state it is in and where it goes. */
const REASONS = [
  'due',
  'other-kit',
  'skipped',
  'popping',
  'snags',
  'struck',
  'shredding',
  'unknown-age',
  'broken',
] as const satisfies readonly (keyof typeof NEEDLE_OUT)[]

export function NeedleChange({ machine, steps, catalogue, old, kit }: Props) {
  const { busy, fault, log } = useWrite()
  const first =
    old?.condition === 'unverified'
      ? 'unknown-age'
      : old?.due === 'change' || !kit || same(kit, old)
        ? 'due'
        : 'other-kit'
  const [reason, setReason] = useState<(typeof REASONS)[number]>(first)
  const [fitted, setFitted] = useState<Choice | undefined>(kit ?? old)
  const [partUsed, setPartUsed] = useState(false)
  const [hours, setHours] = useState('0')
  const quick = [
    kit && { choice: kit as Choice, label: kit.whose },
    old &&
      !same(kit, old) && {
        choice: { point: old.point, sizeNm: old.sizeNm, ...(old.gapMm !== undefined && { gapMm: old.gapMm }) },
        label: 'the same again',
      },
  ].filter((each) => !!each)
  const chosen = NEEDLE_OUT[reason]
  const [piecesFound, setPiecesFound] = useState(false)
  const [at, setAt] = useState<number>()

  const change = () =>
    void log(
      machine.machineId,
      'needle-changed',
      {
        ...(old && {
          out: { reason, state: chosen.state, wentTo: chosen.wentTo, ...(reason === 'broken' && { piecesFound }) },
        }),
        ...(fitted && {
          in: {
            system: machine.system,
            point: fitted.point,
            sizeNm: fitted.sizeNm,
            ...(fitted.gapMm !== undefined && { gapMm: fitted.gapMm }),
            condition: partUsed ? 'part-used' : 'new',
            ...(partUsed && { effectiveHours: Number(hours) }),
          },
        }),
      },
      {
        done: fitted ? `${machine.name}: ${needleWords(fitted)} in` : `${machine.name}: needle out`,
        then: `/machines/${machine.machineId}`,
      },
    )

  const done = (
    <button
      type="button"
      className="btn btn-primary btn-lg self-start"
      disabled={busy || (!fitted && !old)}
      onClick={change}
    >
      {fitted ? `Done: ${needleWords(fitted)} is in` : 'Done: needle is out'}
    </button>
  )
  if (at !== undefined) {
    const last = at === steps.length - 1
    return (
      <>
        <h1 className="mx-auto mb-3 max-w-3xl text-2xl font-bold">
          {machine.name}: {fitted ? `${needleWords(fitted)} goes in` : 'the needle comes out'}
        </h1>
        <OneStep
          step={steps[at]!}
          number={at + 1}
          of={steps.length}
          traits={machine.traits}
          back={() => setAt(at === 0 ? undefined : at - 1)}
          next={
            last ? (
              done
            ) : (
              <button type="button" className="btn btn-primary btn-lg" onClick={() => setAt(at + 1)}>
                Done, next
              </button>
            )
          }
        />
        <FaultNote fault={fault} />
      </>
    )
  }

  return (
    <div className="mx-auto max-w-4xl">
      <p>
        <Link className="link" href={`/machines/${machine.machineId}`}>
          {machine.name}
        </Link>
      </p>
      <h1 className="text-3xl font-bold">Change needle</h1>
      <p className="mt-1 text-lg">
        {old ? (
          <>
            Out comes <strong>{needleWords(old)}</strong> with{' '}
            <span className="numeral text-2xl">{old.hours.toFixed(1)}</span> needle hours. {old.because}
          </>
        ) : (
          'No needle is written down for this machine.'
        )}
      </p>
      <div className="mt-4 grid grid-cols-1 gap-6 md:grid-cols-[1fr_15rem]">
        <div className="flex flex-col gap-5">
          {old && (
            <fieldset>
              <legend className="mb-2 text-lg font-bold">Why it comes out</legend>
              <div className="flex flex-wrap gap-2">
                {REASONS.map((each) => (
                  <label key={each} className={`btn ${reason === each ? 'btn-neutral' : 'btn-outline'}`}>
                    <input
                      type="radio"
                      name="reason"
                      className="sr-only"
                      checked={reason === each}
                      onChange={() => setReason(each)}
                    />
                    {NEEDLE_OUT[each].words}
                  </label>
                ))}
              </div>
              {reason === 'broken' && (
                <div className="mt-2 border-l-4 border-error pl-3">
                  <p className="font-semibold">
                    Power off, glasses stay on. Lay point, blade and shank together to the whole length; look in the
                    case and under the plate.
                  </p>
                  <label className="flex min-h-11 items-center gap-2">
                    <input
                      type="checkbox"
                      className="checkbox"
                      checked={piecesFound}
                      onChange={({ target }) => setPiecesFound(target.checked)}
                    />
                    Every piece lies on the table
                  </label>
                  {!piecesFound && <p>Until then {machine.name} stays stopped.</p>}
                </div>
              )}
              <p className="mt-2 text-sm">
                It goes{' '}
                {chosen.wentTo === 'sharps'
                  ? 'straight into the sharps tub'
                  : 'into the part-used case under its tag, with its hours'}
                .
              </p>
            </fieldset>
          )}
          <fieldset>
            <legend className="mb-2 text-lg font-bold">What goes in</legend>
            <div className="flex flex-wrap gap-2">
              {quick.map(({ choice, label }) => (
                <label
                  key={label}
                  className={`btn btn-lg h-auto py-2 ${same(choice, fitted) ? 'btn-neutral' : 'btn-outline'}`}
                >
                  <input
                    type="radio"
                    name="needle"
                    className="sr-only"
                    checked={same(choice, fitted)}
                    onChange={() => setFitted(choice)}
                  />
                  <span className="text-left">
                    {needleWords(choice)}
                    <span className="block text-sm font-normal">{label}</span>
                  </span>
                </label>
              ))}
            </div>
            <details className="mt-2" open={quick.length === 0}>
              <summary className="min-h-11 cursor-pointer py-2 font-semibold">Another needle</summary>
              {catalogue.length === 0 && <p>Its needle system is not in the catalogue: look at its plate or manual.</p>}
              <dl className="grid gap-2">
                {catalogue.map(({ point, words, sizes, gaps }) => (
                  <div key={point} className="grid items-center gap-2 sm:grid-cols-[11rem_1fr]">
                    <dt>{words}</dt>
                    <dd className="flex flex-wrap gap-1">
                      {(gaps.length > 0
                        ? gaps.flatMap(({ gapMm, sizes: own }) =>
                            own.map((sizeNm): Choice => ({ point, sizeNm, gapMm })),
                          )
                        : sizes.map((sizeNm): Choice => ({ point, sizeNm }))
                      ).map((choice) => (
                        <button
                          key={`${choice.sizeNm}-${choice.gapMm ?? ''}`}
                          type="button"
                          aria-pressed={same(choice, fitted)}
                          aria-label={needleWords(choice)}
                          className={`btn min-w-12 ${same(choice, fitted) ? 'btn-neutral' : 'btn-ghost border-base-300'}`}
                          onClick={() => setFitted(choice)}
                        >
                          {choice.gapMm ? `${choice.gapMm} / ` : ''}
                          {choice.sizeNm}
                        </button>
                      ))}
                    </dd>
                  </div>
                ))}
              </dl>
            </details>
            <label className="mt-2 flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="checkbox"
                checked={partUsed}
                onChange={({ target }) => setPartUsed(target.checked)}
              />
              It is a part-used needle
              {partUsed && (
                <>
                  with{' '}
                  <input
                    type="number"
                    step="0.1"
                    min="0"
                    max="40"
                    aria-label="Needle hours on its tag"
                    className="input w-24"
                    value={hours}
                    onChange={({ target }) => setHours(target.value)}
                  />{' '}
                  hours on its tag
                </>
              )}
            </label>
          </fieldset>
          <FaultNote fault={fault} />
          <div className="flex flex-wrap gap-3">
            {done}
            <button type="button" className="btn btn-outline btn-lg" onClick={() => setAt(0)}>
              Step by step
            </button>
          </div>
        </div>
        <aside className="sheet p-4">
          <h2 className="font-bold">On this machine</h2>
          <NeedlePlan way={machine.traits} className="mx-auto w-32" />
          <p className="mt-1">
            Needles of system <strong>{machine.system}</strong> only: another shank is never close enough.
          </p>
          <ol className="mt-2 flex list-decimal flex-col gap-1 pl-5 text-sm">
            {steps.map(({ step, title, caution }, index) => (
              <li key={step}>
                <span className={index === 0 ? 'font-bold' : ''}>{title}</span>
                {caution && index > 0 && <span className="block text-secondary">{caution}</span>}
              </li>
            ))}
          </ol>
        </aside>
      </div>
    </div>
  )
}

const same = (a: { point: Point; sizeNm: number; gapMm?: number | undefined } | undefined, b: typeof a): boolean =>
  a !== undefined && b !== undefined && a.point === b.point && a.sizeNm === b.sizeNm && a.gapMm === b.gapMm
