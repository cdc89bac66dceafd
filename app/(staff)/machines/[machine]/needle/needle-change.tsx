'use client'

import { useReducer, useState } from 'react'
import { Link } from '@/ui/parts/link'
import type { Point } from '@/core/knowledge/needle/needle'
import type { CheckStep } from '@/core/check/seat-check'
import type { Traits } from '@/core/knowledge/machine/trait'
import { NeedlePlan } from '@/ui/drawings/needle'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { needleWords } from '@/ui/words'
import { OneStep } from './one-step'
import { changed, changingFrom, lineOf, same, type Choice } from './changing'
import { WhatGoesIn, WhyOut } from './needle-fields'

export interface NeedleChangeProps {
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

export function NeedleChange({ machine, steps, catalogue, old, kit }: NeedleChangeProps) {
  const { busy, fault, log } = useWrite()
  const [changing, say] = useReducer(changed, undefined, () => changingFrom(old, kit))
  const { fitted } = changing
  const quick = [
    kit && { choice: kit as Choice, label: kit.whose },
    old &&
      !same(kit, old) && {
        choice: { point: old.point, sizeNm: old.sizeNm, ...(old.gapMm !== undefined && { gapMm: old.gapMm }) },
        label: 'the same again',
      },
  ].filter((each) => !!each)
  const [at, setAt] = useState<number>()

  const change = () =>
    void log(machine.machineId, 'needle-changed', lineOf(changing, machine.system, old !== undefined), {
      done: fitted ? `${machine.name}: ${needleWords(fitted)} in` : `${machine.name}: needle out`,
      then: `/machines/${machine.machineId}`,
    })

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
          {old && <WhyOut name={machine.name} changing={changing} say={say} />}
          <WhatGoesIn quick={quick} catalogue={catalogue} changing={changing} say={say} />
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
