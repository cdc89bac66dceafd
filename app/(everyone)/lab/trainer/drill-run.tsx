'use client'

import { useState } from 'react'
import { type Drill, type DrillQuestion } from '@/core/knowledge/tension/drill'
import { BobbinDrawing } from '@/ui/drawings/bobbin'
import { NeedlePlan } from '@/ui/drawings/needle'
import { DiscsDrawing, HandWheelDrawing, TakeUpDrawing } from '@/ui/drawings/threading'
import type { Done } from './done'
import { Question } from './question'

export function DrillRun({ drill, finish }: { drill: Drill; finish: (done: Done) => void }) {
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
          <DrillPicture of={question.picture} className="h-32 shrink-0" />
        </div>
        <Question
          options={question.options}
          right={question.right}
          chosen={chosen}
          because={question.because}
          last={last}
          answer={(at) => {
            setChosen(at)
            if (at === question.right) setRight(right + 1)
          }}
          next={() => {
            if (last) finish({ right, of: drill.questions.length })
            else {
              setIndex(index + 1)
              setChosen(undefined)
            }
          }}
        />
      </section>
    </div>
  )
}

/** The drawing that belongs to a question, if any. */
export function DrillPicture({ of, className }: { of: DrillQuestion['picture']; className: string }) {
  switch (of) {
    case 'needle':
      return <NeedlePlan way={{ shankFlat: 'back', eyeThreaded: 'front-to-back' }} className={className} />
    case 'bobbin-P':
      return <BobbinDrawing runs="P" className={className} />
    case 'bobbin-9':
      return <BobbinDrawing runs="9" className={className} />
    case 'discs':
      return <DiscsDrawing discs="outside" className={className} />
    case 'take-up':
      return <TakeUpDrawing takeUp="slot" className={className} />
    case 'hand-wheel':
      return <HandWheelDrawing turns="towards" className={className} />
    default:
      return null
  }
}
