'use client'

import { useState } from 'react'
import type { TraitName } from '@/core/knowledge/machine/trait'
import { AnswerTrait, type TraitAsked } from './answer-trait'
import { ConfirmAll } from './confirm-all'

/** For whoever stands at the machine: one open question, large; answered in one tap, or left for later. */
export function OneAtATime({
  machineId,
  asked,
}: {
  machineId: string
  /** the open questions, those that a template answered first */
  asked: readonly TraitAsked[]
}) {
  const [left, setLeft] = useState<readonly TraitName[]>([])
  const next = asked.find(({ trait }) => !left.includes(trait))
  const unchecked = asked.filter((each) => each.unchecked).map(({ trait }) => trait)
  return (
    <section className="sheet mb-6 p-5" aria-labelledby="one-question">
      <h2 id="one-question" className="text-xl font-bold">
        {asked.length === 1 ? 'One question is open' : `${asked.length} questions are open`}
      </h2>
      {next ? (
        <div className="my-4 text-lg">
          <AnswerTrait key={next.trait} machineId={machineId} mayAnswer {...next} />
          <button type="button" className="btn btn-ghost mt-2" onClick={() => setLeft([...left, next.trait])}>
            Later
          </button>
        </div>
      ) : (
        <p className="my-4">
          The rest is left for later.{' '}
          <button type="button" className="link" onClick={() => setLeft([])}>
            Ask them again
          </button>
        </p>
      )}
      {unchecked.length > 1 && <ConfirmAll machineId={machineId} traits={unchecked} />}
      <ul aria-label="The others">
        {asked
          .filter((each) => each !== next)
          .map((each) => (
            <li key={each.trait} className="seam py-3">
              <AnswerTrait machineId={machineId} mayAnswer {...each} />
            </li>
          ))}
      </ul>
    </section>
  )
}
