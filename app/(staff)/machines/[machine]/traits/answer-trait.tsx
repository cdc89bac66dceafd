'use client'

import { useState } from 'react'
import type { TraitName } from '@/core/knowledge/machine/trait'
import { FaultNote } from '@/ui/parts/fault-note'
import { TraitField, type FieldSchema } from '@/ui/parts/trait-field'
import { useWrite } from '@/ui/parts/use-write'

interface Props {
  readonly machineId: string
  readonly mayAnswer: boolean
  readonly trait: TraitName
  readonly question: string
  readonly schema: FieldSchema
  readonly value?: unknown
  readonly words?: string
  /** it comes from a template; nobody has looked yet */
  readonly unchecked?: boolean
}

/** One trait: what is known, and a way to say it better. Standing at the machine, it was tried. */
export function AnswerTrait({ machineId, mayAnswer, trait, question, schema, value, words, unchecked = false }: Props) {
  const [open, setOpen] = useState(false)
  const [answer, setAnswer] = useState<unknown>(value)
  const { busy, fault, write } = useWrite()
  if (!open) {
    return (
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <span className="text-sm">{question}</span>
          <br />
          {words ? <strong>{words}</strong> : <em>not known yet</em>}
        </p>
        {unchecked && mayAnswer && (
          <button
            type="button"
            className="btn btn-primary ml-auto"
            disabled={busy}
            aria-label={`It is so: ${question}`}
            onClick={() =>
              void write('set-trait', { machineId, trait, value, source: 'tried' }, { done: 'Checked at the machine' })
            }
          >
            It is so
          </button>
        )}
        {mayAnswer && (
          <button
            type="button"
            className="btn btn-outline"
            aria-label={`${words ? 'Change' : 'Answer'}: ${question}`}
            onClick={() => setOpen(true)}
          >
            {words ? 'Change' : 'Answer'}
          </button>
        )}
      </div>
    )
  }
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        const body = { machineId, trait, value: answer, source: 'tried' as const }
        void write('set-trait', body, { done: 'Written on its card' }).then((landed) => landed && setOpen(false))
      }}
    >
      <TraitField question={question} schema={schema} value={answer} set={setAnswer} />
      <FaultNote fault={fault} />
      <div className="flex gap-2">
        <button type="submit" className="btn btn-primary" disabled={busy || answer === undefined}>
          Write it down
        </button>
        <button type="button" className="btn btn-ghost" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </div>
    </form>
  )
}
