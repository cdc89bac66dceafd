'use client'

import { useState } from 'react'
import type { CheckStep } from '@/core/check/seat-check'
import { StepPicture, type StepDrawn } from '@/ui/drawings/step-picture'
import { Explained } from '@/ui/parts/explained'

export type Result = 'pass' | 'fail' | 'not-applicable'
export type Ticks = Readonly<Record<string, Result>>

const WORDS: Readonly<Record<Result, string>> = { pass: 'Yes', fail: 'Not yet', 'not-applicable': 'Does not apply' }
const CHOSEN: Readonly<Record<Result, string>> = {
  pass: 'btn-success',
  fail: 'btn-error',
  'not-applicable': 'btn-neutral',
}

/** What is looked at standing in one place: one tap where all is as drawn, or opened to say what is not. */
export function StationCard({
  number,
  title,
  steps,
  ticks,
  drawn,
  set,
  passAll,
}: {
  number: number
  title: string
  steps: readonly CheckStep[]
  ticks: Ticks
  drawn: StepDrawn
  set: (step: string, result: Result) => void
  passAll: () => void
}) {
  const [opened, setOpened] = useState(false)
  const allSo = steps.some(({ drawing }) => drawing) ? 'As drawn' : 'All so'
  const passed = steps.every(({ step }) => ticks[step] === 'pass')
  // What is not so stays in sight.
  const open = opened || steps.some(({ step }) => ticks[step] !== undefined && ticks[step] !== 'pass')
  return (
    <li className={`sheet p-4 ${passed ? 'border-l-8 border-l-success' : ''}`}>
      <div className="flex items-baseline gap-3">
        <span className="numeral text-xl opacity-70">{number}</span>
        <h2 className="text-xl font-bold">{title}</h2>
      </div>
      <ul className="mt-2 grid gap-x-6 gap-y-3 sm:grid-cols-2">
        {steps.map((step) => (
          <li key={step.step} className={open ? 'sm:col-span-2' : ''}>
            <div className={step.drawing ? 'grid grid-cols-[5.5rem_1fr] items-start gap-x-3' : ''}>
              {step.drawing && <StepPicture drawing={step.drawing} drawn={drawn} size="h-20" />}
              <div className={step.drawing ? '' : 'pl-7'}>
                <h3 className="font-bold first-letter:uppercase">{step.title}</h3>
                <p className="leading-snug">
                  <Explained text={step.how} />
                </p>
                {step.caution && <p className="mt-1 font-semibold text-secondary">{step.caution}</p>}
                {open && <Answers step={step} result={ticks[step.step]} set={set} />}
              </div>
            </div>
          </li>
        ))}
      </ul>
      <div className="mt-3 flex flex-wrap gap-2">
        <button
          type="button"
          className={`btn btn-lg ${passed ? 'btn-success' : 'btn-outline'}`}
          aria-pressed={passed}
          aria-label={`${allSo}: ${title}`}
          onClick={() => {
            passAll()
            setOpened(false)
          }}
        >
          {allSo}
        </button>
        {!open && (
          <button
            type="button"
            className="btn btn-ghost btn-lg"
            aria-label={`Something is not so: ${title}`}
            onClick={() => setOpened(true)}
          >
            Something is not so …
          </button>
        )}
      </div>
    </li>
  )
}

function Answers({
  step: { step, title, after },
  result: said,
  set,
}: {
  step: CheckStep
  result: Result | undefined
  set: (step: string, result: Result) => void
}) {
  return (
    <>
      <div role="radiogroup" aria-label={title} className="mt-2 flex flex-wrap gap-2">
        {(['pass', 'fail', 'not-applicable'] as const).map((result) => (
          <button
            key={result}
            type="button"
            role="radio"
            aria-checked={said === result}
            className={`btn ${said === result ? CHOSEN[result] : 'btn-outline'}`}
            onClick={() => set(step, result)}
          >
            {result === 'not-applicable' ? <span aria-label={WORDS[result]}>n/a</span> : WORDS[result]}
          </button>
        ))}
      </div>
      {said === 'fail' && (
        <p role="status" className="mt-1 border-l-4 border-error pl-3">
          <strong>Now: </strong>
          {after.now}
        </p>
      )}
    </>
  )
}
