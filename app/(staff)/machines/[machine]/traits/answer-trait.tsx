'use client'

import { useState } from 'react'
import type { TraitSource } from '@/core/machine/trait-source'
import type { TraitName } from '@/core/knowledge/machine/trait'
import { FaultNote } from '@/ui/parts/fault-note'
import { TraitField, type FieldSchema } from '@/ui/parts/trait-field'
import { useWrite } from '@/ui/parts/use-write'

/** A trait as it is asked: the question, and what is known. */
export interface TraitAsked {
  readonly trait: TraitName
  readonly question: string
  readonly schema: FieldSchema
  readonly value?: unknown
  readonly words?: string
  /** how what is known came to be */
  readonly source?: TraitSource
  /** it comes from a template; nobody has looked yet */
  readonly unchecked?: boolean
  /** whose word it is */
  readonly by?: string
}

interface Props extends TraitAsked {
  readonly machineId: string
  readonly mayAnswer: boolean
}

/** One trait: what is known, and a way to say it better. Standing at the machine, it was tried. */
export function AnswerTrait({
  machineId,
  mayAnswer,
  trait,
  question,
  schema,
  value,
  words,
  source = 'tried',
  unchecked = false,
  by,
}: Props) {
  const [open, setOpen] = useState(false)
  const [answer, setAnswer] = useState<unknown>(value)
  const { busy, fault, write } = useWrite()
  const putAway = () =>
    void write(
      'put-trait-away',
      { machineId, trait },
      {
        done: 'It is asked again; the book keeps what it was',
        undo: () =>
          void write('set-trait', { machineId, trait, value, source }, { done: 'It stands on its card again' }),
      },
    ).then((landed) => landed && setOpen(false))
  if (!open) {
    return (
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p>
          <span className="text-sm">{question}</span>
          <br />
          {words ? <strong>{words}</strong> : <em>not known yet</em>}
          {by && <span className="text-sm"> · {by}</span>}
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
        {words && (
          <button type="button" className="btn btn-ghost ml-auto" disabled={busy} onClick={putAway}>
            Not known any more
          </button>
        )}
      </div>
    </form>
  )
}
