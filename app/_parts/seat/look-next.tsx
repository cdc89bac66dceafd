import type { CheckStep } from '@/core/check/seat-check'
import type { FaultAnswer, RankedCheck } from '@/core/fault/fault'
import { CHECKS } from '@/core/knowledge/fault/fault-check'
import { counted } from '@/core/units/words'
import { StepPicture, type StepDrawn } from '@/ui/drawings/step-picture'
import { Explained } from '@/ui/parts/explained'

const WHO = { learner: '', staff: 'for staff', technician: 'for a technician' } as const

const minutes = (seconds: number) =>
  seconds < 60 ? counted(seconds, 'second') : counted(Math.round(seconds / 60), 'minute')

const chanceWords = (chance: number) =>
  chance >= 0.5
    ? 'most likely this'
    : chance >= 0.25
      ? 'quite likely this'
      : chance >= 0.1
        ? 'perhaps this'
        : 'seldom this'

/** The next cheapest thing to look at, this machine's way. */
export function LookNext({
  next,
  name,
  ways,
  drawn,
  found,
  notThat,
  skip,
  back,
}: {
  next: RankedCheck
  name: string
  ways: readonly CheckStep[]
  drawn: StepDrawn
  found: () => void
  notThat: () => void
  skip: () => void
  back: () => void
}) {
  return (
    <section className="sheet p-6" aria-live="polite" aria-label="Look at this next">
      <p className="text-sm">
        {minutes(next.seconds)} · {chanceWords(next.chance)} ({Math.round(next.chance * 100)} in 100)
        {WHO[next.who] && ` · ${WHO[next.who]}`}
      </p>
      <p className="text-3xl font-bold">{CHECKS[next.check].title}</p>
      <p className="mt-2 text-lg">
        <Explained text={next.how} />
      </p>
      {next.caution && <p className="mt-2 font-semibold text-secondary">{next.caution}</p>}
      {ways.length > 0 && (
        <>
          <h3 className="mt-4 font-bold">On {name}</h3>
          <ul>
            {ways.map((way) => (
              <li key={way.step} className="seam flex items-center gap-4 py-2">
                <StepPicture drawing={way.drawing} drawn={drawn} size="h-16 w-20 shrink-0" />
                <span>
                  <strong className="first-letter:uppercase">{way.title}.</strong> {way.how}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <button type="button" className="btn btn-primary btn-lg" onClick={found}>
          That was it
        </button>
        <button type="button" className="btn btn-outline btn-lg" onClick={notThat}>
          Not that
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={skip}>
          Skip
        </button>
        <button type="button" className="btn btn-ghost btn-lg" onClick={back}>
          Back
        </button>
      </div>
    </section>
  )
}

/** What was looked at already, and what would come after this. */
export function LookedAt({ answers, after }: { answers: readonly FaultAnswer[]; after: readonly RankedCheck[] }) {
  return (
    <>
      {answers.length > 0 && (
        <>
          <h3 className="font-bold">Looked at, and not that</h3>
          <ul className="mb-4">
            {answers.map(({ check }) => (
              <li key={check}>{CHECKS[check].title}</li>
            ))}
          </ul>
        </>
      )}
      <h3 className="font-bold">After that</h3>
      <ol className="mb-4 list-decimal pl-6">
        {after.map((each) => (
          <li key={each.check}>
            {CHECKS[each.check].title}
            <span className="text-sm">
              {' '}
              · {minutes(each.seconds)}
              {WHO[each.who] && ` · ${WHO[each.who]}`}
            </span>
          </li>
        ))}
      </ol>
    </>
  )
}
