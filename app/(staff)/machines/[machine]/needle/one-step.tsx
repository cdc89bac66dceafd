'use client'

import type { CheckStep } from '@/core/check/seat-check'
import type { Traits } from '@/core/knowledge/machine/trait'
import { StepPicture } from '@/ui/drawings/step-picture'
import { Explained } from '@/ui/parts/explained'

/** One step of the change on the whole screen, to be read with a needle between two fingers. */
export function OneStep({
  step,
  number,
  of,
  traits,
  back,
  next,
}: {
  step: CheckStep
  number: number
  of: number
  traits: Traits
  back: () => void
  /** the way on; at the last step what writes it down */
  next: React.ReactNode
}) {
  return (
    <section
      className="sheet mx-auto flex max-w-3xl flex-col gap-4 p-6"
      aria-live="polite"
      aria-label={`Step ${number}`}
    >
      <p>
        Step <span className="numeral text-2xl">{number}</span> of {of}
      </p>
      <div className="flex flex-wrap items-start gap-6">
        <div className="min-w-0 flex-1 basis-72">
          <h2 className="text-3xl font-bold first-letter:uppercase">{step.title}</h2>
          <p className="mt-2 text-xl">
            <Explained text={step.how} />
          </p>
          {step.caution && <p className="mt-2 text-lg font-semibold text-secondary">{step.caution}</p>}
        </div>
        <StepPicture drawing={step.drawing} drawn={{ traits, set: undefined }} size="h-44" />
      </div>
      <div className="flex flex-wrap gap-3">
        {next}
        <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
          Back
        </button>
      </div>
    </section>
  )
}
