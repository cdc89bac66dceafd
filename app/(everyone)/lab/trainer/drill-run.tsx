'use client'

import { useState } from 'react'
import { type Drill, type DrillQuestion } from '@/core/knowledge/tension/drill'
import { BobbinDrawing } from '@/ui/drawings/bobbin'
import { NeedlePlan } from '@/ui/drawings/needle'
import { DiscsDrawing, HandWheelDrawing, TakeUpDrawing } from '@/ui/drawings/threading'

export function DrillRun({ drill, finish }: { drill: Drill; finish: (right: number, of: number) => void }) {
  const [index, setIndex] = useState(0)
  const [chosen, setChosen] = useState<number>()
  const [right, setRight] = useState(0)
  const question = drill.questions[index]!
  const last = index === drill.questions.length - 1
  return (
    <div className="mx-auto max-w-3xl">
      <h1 className="text-3xl font-bold">{drill.title}</h1>
      <p className="text-sm">
        {index + 1} of {drill.questions.length}
      </p>
      <section className="sheet mt-3 p-6">
        <div className="flex items-start justify-between gap-6">
          <h2 className="text-2xl font-bold">{question.ask}</h2>
          <Picture of={question.picture} />
        </div>
        <div className="mt-4 flex flex-col gap-2">
          {question.options.map((option, at) => (
            <button
              key={option}
              type="button"
              disabled={chosen !== undefined}
              className={`btn btn-lg h-auto justify-start py-3 text-left disabled:text-base-content ${
                chosen === undefined
                  ? 'btn-outline'
                  : at === question.right
                    ? 'border-4 border-success'
                    : at === chosen
                      ? 'border-4 border-warning'
                      : 'btn-ghost'
              }`}
              onClick={() => {
                setChosen(at)
                if (at === question.right) setRight(right + 1)
              }}
            >
              {chosen !== undefined && at === question.right && <span aria-hidden="true">✓ </span>}
              {option}
            </button>
          ))}
        </div>
        <div aria-live="polite" className="mt-4 min-h-12 text-lg">
          {chosen !== undefined && (
            <p>
              <strong>{chosen === question.right ? 'Yes. ' : 'Not quite. '}</strong>
              {question.because}
            </p>
          )}
        </div>
        {chosen !== undefined && (
          <button
            type="button"
            className="btn btn-primary btn-lg"
            onClick={() => {
              if (last) finish(right, drill.questions.length)
              else {
                setIndex(index + 1)
                setChosen(undefined)
              }
            }}
          >
            {last ? 'Done' : 'Next'}
          </button>
        )}
      </section>
    </div>
  )
}

function Picture({ of }: { of: DrillQuestion['picture'] }) {
  const size = 'h-32 shrink-0'
  switch (of) {
    case 'needle':
      return <NeedlePlan way={{ shankFlat: 'back', eyeThreaded: 'front-to-back' }} className={size} />
    case 'bobbin-P':
      return <BobbinDrawing runs="P" className={size} />
    case 'bobbin-9':
      return <BobbinDrawing runs="9" className={size} />
    case 'discs':
      return <DiscsDrawing discs="outside" className={size} />
    case 'take-up':
      return <TakeUpDrawing takeUp="slot" className={size} />
    case 'hand-wheel':
      return <HandWheelDrawing turns="towards" className={size} />
    default:
      return null
  }
}
