'use client'

import type { SpokenQuestion } from '@/core/knowledge/tension/spoken'

/** What is asked aloud before a sign-off, with what a good answer has in it; ticked as it is answered. */
export function SpokenQuestions({
  questions,
  well,
  set,
}: {
  questions: readonly SpokenQuestion[]
  /** those that were answered well, by what was asked */
  well: readonly string[]
  set: (well: readonly string[]) => void
}) {
  return (
    <fieldset className="basis-full">
      <legend className="font-semibold">Ask aloud, at the machine</legend>
      {questions.map(({ ask, listenFor }) => (
        <label key={ask} className="flex min-h-11 items-start gap-3 py-1.5">
          <input
            type="checkbox"
            className="checkbox mt-0.5"
            checked={well.includes(ask)}
            onChange={() => set(well.includes(ask) ? well.filter((each) => each !== ask) : [...well, ask])}
          />
          <span>
            <span className="block text-lg">{ask}</span>
            <span className="block text-sm">{listenFor}</span>
          </span>
        </label>
      ))}
    </fieldset>
  )
}
