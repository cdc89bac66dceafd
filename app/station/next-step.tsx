'use client'

import { Link } from '@/ui/parts/link'
import type { SeatStep } from '@/core/session/seat-step'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Props {
  readonly step: SeatStep
  /** what is wrong with the machine, in words; empty: nothing is known to be */
  readonly faults: readonly string[]
  readonly machineId: string
  readonly projectId: string
  /** the turn that was said to be over */
  readonly turn?: { readonly finished: boolean; readonly eventId: string }
}

const BIG = 'btn btn-primary btn-lg h-auto min-h-16 w-full max-w-xl py-3 text-xl'
const SMALL = 'link inline-flex min-h-11 items-center'

/** The one thing that comes next, as the one big thing; what may be done besides stands small under it. */
export function NextStep({ step, faults, machineId, projectId, turn }: Props) {
  const { busy, fault, log } = useWrite()
  const done = (finished: boolean) =>
    void log(
      machineId,
      'turn-ended',
      { finished, projectId },
      { done: finished ? 'Finished. Well done' : 'Your turn is over; it goes on another time' },
    )
  return (
    <section aria-label="Next" className="sheet p-5">
      {faults.length > 0 && step !== 'done' && (
        <div className="mb-4 border-l-8 border-secondary pl-4 text-lg">
          {faults.map((words) => (
            <p key={words} className="font-semibold text-warning">
              {words}
            </p>
          ))}
          <p>Ask your instructor before you sew on it.</p>
        </div>
      )}
      {(step === 'check' || step === 'bag') && (
        <>
          <p className="mb-3 text-xl">Thread it and look it over, station by station.</p>
          <Link href="/station/check" className={BIG}>
            Seat check
          </Link>
        </>
      )}
      {step === 'swatch' && (
        <>
          <p className="mb-3 text-xl">Sew a line on the scrap in your bag, and say what you see on both faces.</p>
          <Link href="/station/swatch" className={BIG}>
            Read my swatch
          </Link>
        </>
      )}
      {step === 'sewing' && (
        <>
          <p className="mb-3 text-xl">
            The check and the swatch are good{faults.length > 0 ? '. ' : ': sew. '}When you stop for now, say so.
          </p>
          <button type="button" className={BIG} disabled={busy} onClick={() => done(false)}>
            I stop for now
          </button>
          <button
            type="button"
            className="btn btn-outline btn-lg mt-2 w-full max-w-xl"
            disabled={busy}
            onClick={() => done(true)}
          >
            My project is finished
          </button>
        </>
      )}
      {step === 'done' && (
        <>
          <p className="text-xl">
            {turn?.finished
              ? 'Your project is finished. Well done!'
              : 'Your turn is over for now; it goes on another time.'}{' '}
            Leave the needle and the foot as they are: your instructor comes by.
          </p>
          {turn && (
            <button
              type="button"
              className="btn btn-outline btn-lg mt-3"
              disabled={busy}
              onClick={() =>
                void log(
                  machineId,
                  'correction',
                  { corrects: turn.eventId, because: 'It goes on after all' },
                  { done: 'You sew on' },
                )
              }
            >
              I sew on after all
            </button>
          )}
        </>
      )}
      <FaultNote fault={fault} />
      {step !== 'done' && (
        <p className="mt-2 flex flex-wrap gap-x-6">
          {step !== 'check' && step !== 'bag' && (
            <Link href="/station/check" className={SMALL}>
              Seat check
            </Link>
          )}
          {step !== 'swatch' && (
            <Link href="/station/swatch" className={SMALL}>
              Read my swatch
            </Link>
          )}
          <Link href="/station/fault" className={SMALL}>
            Something is wrong
          </Link>
        </p>
      )}
    </section>
  )
}
