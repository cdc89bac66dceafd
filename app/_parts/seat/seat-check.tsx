'use client'

import Link from 'next/link'
import type { CheckStep } from '@/core/check/seat-check'
import { gravest } from '@/core/fault/gravest'
import { StepPicture, type StepDrawn } from '@/ui/drawings/step-picture'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { Explained } from '@/ui/parts/explained'

type Result = 'pass' | 'fail' | 'not-applicable'
type Ticks = Readonly<Record<string, Result>>

interface Props {
  readonly machineId: string
  readonly projectId?: string
  readonly steps: readonly CheckStep[]
  /** which list it is: the learner's before sewing, or the room's before a session */
  readonly list?: 'seat' | 'room'
  /** the machine's traits and the dial's mark, for the drawings */
  readonly drawn: StepDrawn
  /** where to go when all is well, and when something failed */
  readonly swatchHref: string
  readonly homeHref: string
  /** the finder, which starts from what did not pass */
  readonly faultHref: string
}

const NOTHING: Ticks = {}
const WORDS: Readonly<Record<Result, string>> = { pass: 'Yes', fail: 'Not yet', 'not-applicable': 'Does not apply' }

/** One step a row, worded and drawn for exactly this machine; ticks survive a reload until they have landed. */
export function SeatCheck({
  machineId,
  projectId,
  steps,
  list = 'seat',
  drawn,
  swatchHref,
  homeHref,
  faultHref,
}: Props) {
  const [ticks, keep] = useKept<Ticks>(`${list}-check-${machineId}`, NOTHING)
  const { busy, fault, log } = useWrite()
  const answered = steps.filter(({ step }) => ticks[step]).length
  const failed = steps.filter(({ step }) => ticks[step] === 'fail')
  const set = (step: string, result: Result) => keep({ ...ticks, [step]: result })

  const finish = async () => {
    const body = {
      list,
      steps: steps.map(({ step, group }) => ({ step, group, result: ticks[step] ?? 'not-applicable' })),
      ...(projectId && { projectId }),
    }
    const leads = gravest(failed)
    const trouble = leads && `${faultHref}?after=${leads.step}`
    const then = trouble ?? (list === 'room' ? homeHref : swatchHref)
    const passed = list === 'room' ? 'Room check passed' : 'Seat check passed; now the test swatch'
    const notYet = leads?.after.stops
      ? 'Written down: nobody sews on it now'
      : 'Written down: not ready yet. Now find out what it is'
    const done = leads ? notYet : passed
    if (await log(machineId, 'check-run', body, { done, then })) keep(undefined)
  }

  return (
    <>
      <ol className="flex flex-col">
        {steps.map((step, index) => (
          <li key={step.step} className="seam py-3">
            <div className="grid grid-cols-[2.2rem_1fr] gap-x-2 sm:grid-cols-[2.2rem_7rem_1fr_auto] sm:items-center sm:gap-x-4">
              <span className="numeral pt-1 text-xl opacity-70">{index + 1}</span>
              <span className="hidden sm:block">
                <StepPicture drawing={step.drawing} drawn={drawn} />
              </span>
              <div>
                <h2 className="text-lg font-bold first-letter:uppercase">{step.title}</h2>
                <p>
                  <Explained text={step.how} />
                </p>
                {step.caution && <p className="mt-1 font-semibold text-secondary">{step.caution}</p>}
                {ticks[step.step] === 'fail' && (
                  <p role="status" className="mt-1 border-l-4 border-error pl-3">
                    <strong>Now: </strong>
                    {step.after.now}
                  </p>
                )}
              </div>
              <div
                role="radiogroup"
                aria-label={step.title}
                className="col-start-2 mt-2 flex gap-2 sm:col-start-4 sm:mt-0"
              >
                {(['pass', 'fail', 'not-applicable'] as const).map((result) => (
                  <button
                    key={result}
                    type="button"
                    role="radio"
                    aria-checked={ticks[step.step] === result}
                    className={`btn ${result === 'pass' ? 'min-w-20' : ''} ${
                      ticks[step.step] !== result
                        ? 'btn-outline'
                        : result === 'pass'
                          ? 'btn-success'
                          : result === 'fail'
                            ? 'btn-error'
                            : 'btn-neutral'
                    }`}
                    onClick={() => set(step.step, result)}
                  >
                    {result === 'not-applicable' ? <span aria-label={WORDS[result]}>n/a</span> : WORDS[result]}
                  </button>
                ))}
              </div>
            </div>
          </li>
        ))}
      </ol>
      <div className="sticky bottom-0 z-10 -mx-4 mt-4 flex flex-wrap items-center gap-4 border-t border-base-300 bg-base-100 px-4 py-3">
        <p className="text-lg">
          <span className="numeral text-2xl">{answered}</span> of {steps.length}
          {failed.length > 0 && <strong className="text-error"> · {failed.length} not yet</strong>}
        </p>
        <FaultNote fault={fault} />
        <button
          type="button"
          className="btn btn-primary btn-lg ml-auto"
          disabled={busy || answered < steps.length}
          onClick={() => void finish()}
        >
          {failed.length > 0 ? 'Write it down' : 'All done'}
        </button>
        <Link href={homeHref} className="btn btn-ghost btn-lg">
          Later
        </Link>
      </div>
    </>
  )
}
