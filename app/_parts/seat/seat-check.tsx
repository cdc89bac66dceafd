'use client'

import { Link } from '@/ui/parts/link'
import { stationsOf, type CheckStep } from '@/core/check/seat-check'
import { gravest } from '@/core/fault/gravest'
import type { StepDrawn } from '@/ui/drawings/step-picture'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { StationCard, type Result, type Ticks } from './station-card'

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
  /** it stands on a page that goes on: called when it has landed, in place of leaving */
  readonly inPlace?: () => void
}

const NOTHING: Ticks = {}

/** The way of the thread, station by station, worded and drawn for exactly this machine; ticks survive a reload until they have landed. */
export function SeatCheck({
  machineId,
  projectId,
  steps,
  list = 'seat',
  drawn,
  swatchHref,
  homeHref,
  faultHref,
  inPlace,
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
    const onward = inPlace ? undefined : list === 'room' ? homeHref : swatchHref
    const then = trouble ?? onward
    const passed = list === 'room' ? 'Room check passed' : 'Seat check passed; now the test swatch'
    const notYet = leads?.after.stops
      ? 'Written down: nobody sews on it now'
      : 'Written down: not ready yet. Now find out what it is'
    const done = leads ? notYet : passed
    if (!(await log(machineId, 'check-run', body, { done, ...(then && { then }) }))) return
    keep(undefined)
    inPlace?.()
  }

  const stations = list === 'room' ? [{ station: 'room', title: 'The whole machine', steps }] : stationsOf(steps)
  const passAll = (asked: readonly CheckStep[]) =>
    keep({ ...ticks, ...Object.fromEntries(asked.map(({ step }) => [step, 'pass' as const])) })
  return (
    <>
      <ol className="flex flex-col gap-3">
        {stations.map(({ station, title, steps: asked }, index) => (
          <StationCard
            key={station}
            number={index + 1}
            title={title}
            steps={asked}
            ticks={ticks}
            drawn={drawn}
            set={set}
            passAll={() => passAll(asked)}
          />
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
        {inPlace ? (
          <button type="button" className="btn btn-ghost btn-lg" onClick={inPlace}>
            Later
          </button>
        ) : (
          <Link href={homeHref} className="btn btn-ghost btn-lg">
            Later
          </Link>
        )}
      </div>
    </>
  )
}
