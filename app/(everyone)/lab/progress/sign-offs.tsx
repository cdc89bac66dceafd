'use client'

import { spaced } from '@/core/units/words'
import { useState } from 'react'
import { SPOKEN_QUESTIONS } from '@/core/knowledge/tension/spoken'
import type { SignOff } from '@/core/people/progress'
import { SKILL_WORDS, SKILLS, type Skill } from '@/core/people/skill'
import { Select } from '@/ui/fields/select'
import { SpokenQuestions } from '@/ui/parts/spoken-questions'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Props {
  readonly personId: string
  readonly name: string
  readonly kinds: readonly SignOff['machineKind'][]
  readonly given: readonly {
    readonly skill: Skill
    readonly machineKind: SignOff['machineKind']
    readonly words: string
    readonly by: string
  }[]
}

/** What staff have seen somebody do at a machine, on which kind of machine, and who says so. */
export function SignOffs({ personId, name, kinds, given }: Props) {
  const [open, setOpen] = useState(false)
  const [skill, setSkill] = useState<Skill>('tension')
  const [machineKind, setMachineKind] = useState(kinds[0]!)
  const [well, setWell] = useState<readonly string[]>([])
  const { busy, fault, write } = useWrite()
  const questions = SPOKEN_QUESTIONS[skill]
  return (
    <>
      <ul>
        {given.map((each) => (
          <li key={`${each.skill}${each.machineKind}`} className="flex flex-wrap items-center gap-x-3">
            <span>
              <span aria-hidden="true">✓ </span>
              <strong>{each.words}</strong> <span className="text-sm">by {each.by}</span>
            </span>
            <button
              type="button"
              className="link min-h-8 text-sm"
              disabled={busy}
              aria-label={`Withdraw from ${name}: ${each.words}`}
              onClick={() =>
                void write(
                  'sign-off',
                  { personId, skill: each.skill, machineKind: each.machineKind, withdrawn: true },
                  { done: 'Withdrawn; both lines are kept' },
                )
              }
            >
              withdraw
            </button>
          </li>
        ))}
      </ul>
      {open ? (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          aria-label={`Sign off ${name}`}
          onSubmit={(submitted) => {
            submitted.preventDefault()
            const answered = questions.filter(({ ask }) => well.includes(ask)).length
            void write(
              'sign-off',
              { personId, skill, machineKind, ...(answered > 0 && { answered }) },
              { done: `${name} is signed off` },
            ).then((landed) => {
              if (!landed) return
              setOpen(false)
              setWell([])
            })
          }}
        >
          <Select
            look="unseen"
            label="What they can do"
            options={SKILLS.map((each) => [each, SKILL_WORDS[each]])}
            value={skill}
            set={setSkill}
          />
          <Select
            look="unseen"
            label="On which kind of machine"
            options={kinds.map((kind) => [kind, spaced(kind)])}
            value={machineKind}
            set={setMachineKind}
          />
          <SpokenQuestions questions={questions} well={well} set={setWell} />
          <button type="submit" className="btn btn-primary" disabled={busy}>
            I have seen it
          </button>
          <button type="button" className="btn btn-ghost" onClick={() => setOpen(false)}>
            Leave it
          </button>
          <FaultNote fault={fault} />
        </form>
      ) : (
        <button
          type="button"
          className="btn btn-outline btn-sm mt-1"
          aria-label={`Sign off ${name} …`}
          onClick={() => setOpen(true)}
        >
          Sign off …
        </button>
      )}
    </>
  )
}
