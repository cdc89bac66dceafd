'use client'

import { useState } from 'react'

export interface TraitShown {
  readonly question: string
  /** absent: not known yet */
  readonly words?: string
  readonly source?: string
}

/** Every trait with where it was learnt, drawn when somebody asks for it. */
export function AllTraits({ traits }: { traits: readonly TraitShown[] }) {
  const [open, setOpen] = useState(false)
  return (
    <details className="mt-3" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer py-2 font-semibold">All its traits</summary>
      {open && (
        <dl className="grid gap-x-4 gap-y-1 text-sm sm:grid-cols-2">
          {traits.map(({ question, words, source }) => (
            <div key={question}>
              <dt className="text-sm opacity-80">{question}</dt>
              <dd>
                {words === undefined ? (
                  <em>not known yet</em>
                ) : (
                  <>
                    {words} <span className="opacity-75">({source})</span>
                  </>
                )}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </details>
  )
}
