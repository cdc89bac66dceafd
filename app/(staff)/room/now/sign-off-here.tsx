'use client'

import { useState } from 'react'
import { SPOKEN_QUESTIONS } from '@/core/knowledge/tension/spoken'
import { SpokenQuestions } from '@/ui/parts/spoken-questions'
import type { useWrite } from '@/ui/parts/use-write'
import type { SeatFacts } from '../../../_server/round'

/** Somebody shows what they can do, is asked why, and is signed off where they sit. */
export function SignOffHere({
  personId,
  who,
  maySign: { skill, machineKind },
  busy,
  write,
}: {
  personId: string
  who: string
  maySign: NonNullable<SeatFacts['maySign']>
  busy: boolean
  write: ReturnType<typeof useWrite>['write']
}) {
  const [well, setWell] = useState<readonly string[]>([])
  const questions = SPOKEN_QUESTIONS[skill]
  const answered = questions.filter(({ ask }) => well.includes(ask)).length
  return (
    <>
      <SpokenQuestions questions={questions} well={well} set={setWell} />
      <button
        type="button"
        className="btn btn-outline mt-2"
        disabled={busy}
        onClick={() =>
          void write(
            'sign-off',
            { personId, skill, machineKind, ...(answered > 0 && { answered }) },
            { done: `${who} is signed off` },
          )
        }
      >
        I have seen it
      </button>
    </>
  )
}
