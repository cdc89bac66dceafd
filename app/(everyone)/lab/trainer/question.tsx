'use client'

/** What is asked with its answers as buttons; once one is chosen, which was right and why, and the way on. */
export function Question({
  options,
  right,
  chosen,
  because,
  answer,
  next,
  last,
  wide = false,
}: {
  options: readonly string[]
  /** index of the right one */
  right: number
  chosen: number | undefined
  because: string
  answer: (at: number) => void
  next: () => void
  last: boolean
  /** the answers stand beside each other */
  wide?: boolean
}) {
  const answered = chosen !== undefined
  return (
    <>
      <div className={`mt-4 grid gap-2 ${wide ? 'sm:grid-cols-2 sm:gap-x-5' : ''}`}>
        {options.map((option, at) => (
          <button
            key={option}
            type="button"
            disabled={answered}
            className={`btn btn-lg h-auto justify-start py-3 text-left disabled:text-base-content ${markOf(at, right, chosen)}`}
            onClick={() => answer(at)}
          >
            {answered && at === right && <span aria-hidden="true">✓ </span>}
            {option}
          </button>
        ))}
      </div>
      <Told right={chosen === right} because={because} answered={answered} next={next} last={last} />
    </>
  )
}

const markOf = (at: number, right: number, chosen: number | undefined): string => {
  if (chosen === undefined) return 'btn-outline'
  if (at === right) return 'border-4 border-success'
  return at === chosen ? 'border-4 border-warning' : 'btn-ghost'
}

/** What is said to an answer, and the button that goes on. */
export function Told({
  right,
  because,
  answered,
  next,
  last,
}: {
  right: boolean
  because: string
  answered: boolean
  next: () => void
  last: boolean
}) {
  return (
    <>
      <div aria-live="polite" className="mt-4 min-h-12 text-lg">
        {answered && (
          <p>
            <strong>{right ? 'Yes. ' : 'Not quite. '}</strong>
            {because}
          </p>
        )}
      </div>
      {answered && (
        <button type="button" className="btn btn-primary btn-lg" onClick={next}>
          {last ? 'Done' : 'Next'}
        </button>
      )}
    </>
  )
}
