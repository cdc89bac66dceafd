import { useState } from 'react'
import type { PlannedSeat, PlanProof } from '@/core/session/session-schema'
import type { SheetFigures } from '@/core/session/sheet'
import { counted, plain } from '@/core/units/words'
import { Select } from '@/ui/fields/select'
import type { SheetProps } from './sheet-props'
import type { usePlanning } from './use-planning'

interface Props extends SheetProps {
  readonly figures: SheetFigures
  readonly byHand: { readonly minutes: number; readonly needles: number; readonly seated: number }
  readonly seats: readonly PlannedSeat[]
  readonly planning: Omit<ReturnType<typeof usePlanning>, 'plan'> & {
    readonly plan: (fromBlock?: number) => Promise<void>
  }
  readonly busy: boolean
}

/** What the plan costs, what it saves, and how sure it is: in one line each. */
export function PlanLine(props: Props) {
  const { figures, byHand, seats, planning, learners, proof, proofHolds, mayPlan, running, blocks, busy } = props
  const { plan, stop, thinking, helping, found } = planning
  // A session that is under way is planned from now on.
  const [from, setFrom] = useState(running)
  const seated = learners.length - figures.unseated.length
  const pins = seats.filter(({ pinned }) => pinned).length
  return (
    <section aria-label="The plan" className="sheet p-4">
      <div className="flex flex-wrap items-center gap-x-8 gap-y-3">
        {seats.length === 0 ? (
          <p className="text-lg">
            {learners.length === 0
              ? 'Nobody is on the roster yet: hang up their projects first, under Kits.'
              : `Nobody is seated yet. ${learners.length} want a seat.`}
          </p>
        ) : (
          <>
            <p>
              <span className="numeral text-4xl">{seated}</span> of {learners.length} seated
            </p>
            <p>
              <span className="numeral text-4xl">{plain(figures.minutes)}</span>{' '}
              {figures.minutes === 1 ? 'minute' : 'minutes'} of changeovers
            </p>
            <p>
              <span className="numeral text-4xl">{figures.needles}</span> needles put in
            </p>
          </>
        )}
        {mayPlan && (
          <div className="ml-auto flex flex-wrap gap-2 print:hidden">
            {thinking ? (
              <button type="button" className="btn btn-lg" onClick={stop}>
                Stop and keep the best
              </button>
            ) : (
              <>
                {seats.length > 0 && (
                  <div className="w-64">
                    <Select
                      large
                      look="unseen"
                      label="What is planned again"
                      options={[
                        ['', 'the whole session'],
                        ...blocks.map((_, index) => [`${index + 1}`, `from block ${index + 1} on, few moves`] as const),
                      ]}
                      value={from === undefined ? '' : `${from}`}
                      set={(block) => setFrom(block === '' ? undefined : Number(block))}
                    />
                  </div>
                )}
                <button
                  type="button"
                  className="btn btn-primary btn-lg"
                  disabled={busy || learners.length === 0}
                  onClick={() => void plan(seats.length === 0 ? undefined : from)}
                >
                  {seats.length === 0 ? 'Plan the session' : pins > 0 ? 'Plan again around the pins' : 'Plan again'}
                </button>
              </>
            )}
          </div>
        )}
      </div>
      <div aria-live="polite">
        {thinking && (
          <p className="mt-2 flex items-center gap-3">
            <progress className="progress w-40" aria-label="Planning" />
            {found
              ? `${found.seated} of ${found.of} seated with ${minutesOf(found.changeoverMinutes)} so far; nobody can do it in less than ${plain(found.boundMinutes)}.`
              : 'Looking for places …'}
          </p>
        )}
        {!thinking && seats.length > 0 && (
          <>
            <p className="mt-2 text-lg">{proofWords(figures, seated, learners.length, proof, proofHolds)}</p>
            <p>{byHandWords(byHand, figures, seated)}</p>
          </>
        )}
      </div>
      {helping && (
        <p className="mt-2 flex flex-wrap items-center gap-3 print:hidden">
          Trying what would seat the others …
          <button type="button" className="btn btn-ghost" onClick={stop}>
            Skip it
          </button>
        </p>
      )}
      {!thinking && proof && proofHolds && proof.help.length > 0 && figures.unseated.length > 0 && (
        <p className="mt-2">
          <strong>What would help most:</strong>{' '}
          {proof.help
            .map(({ words, seats: more }) => `${words} (${more === 1 ? 'one more seat' : `${more} more seats`})`)
            .join(' · ')}
        </p>
      )}
    </section>
  )
}

/** What was proved holds for the seats that were planned and for no others. */
function proofWords(
  { minutes, breaches }: SheetFigures,
  seated: number,
  wanting: number,
  proof: PlanProof | undefined,
  holds: boolean,
): string {
  if (!proof) return 'Seated by hand, never planned. Plan the session to see how little it could take.'
  if (!holds)
    return 'Something has changed since it was planned: people, machines, pins or shelves. Plan again to be sure.'
  const planned = wanting - proof.unseated.length
  if (proof.fromBlock) {
    const moves = proof.optimal ? 'with as few moves as can be' : 'with few moves, not proved to be the fewest'
    return `Planned anew from block ${proof.fromBlock} on, ${moves}.`
  }
  if (breaches.length > 0 || seated !== planned || Math.abs(minutes - proof.changeoverMinutes) > 1e-9)
    return `Changed by hand: the plan seated ${planned} with ${minutesOf(proof.changeoverMinutes)}.`
  if (proof.optimal)
    return `Proved: no plan seats more than ${seated}, and none that does takes less than ${minutesOf(proof.changeoverMinutes)}.`
  return `Not proved to the end: at best ${minutesOf(proof.boundMinutes)} could do.`
}

const minutesOf = (minutes: number): string => counted(minutes, 'minute')

function byHandWords(byHand: Props['byHand'], { minutes, needles }: SheetFigures, seated: number): string {
  const fewer = seated - byHand.seated
  const seats = fewer > 0 ? ` and ${fewer === 1 ? 'one learner' : `${fewer} learners`} without a seat` : ''
  const saved = byHand.minutes - minutes
  const spared = byHand.needles - needles
  return saved <= 0 && fewer <= 0
    ? `First come, first seated would take ${minutesOf(byHand.minutes)}.`
    : `First come, first seated would take ${minutesOf(byHand.minutes)}${seats}${spared > 0 ? `, and ${spared} more ${spared === 1 ? 'needle' : 'needles'}` : ''}.`
}
