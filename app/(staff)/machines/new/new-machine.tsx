'use client'

import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { TRAIT_SOURCES, type TraitSource } from '@/core/machine/trait-source'
import { FaultNote } from '@/ui/parts/fault-note'
import { TraitField, type FieldSchema } from '@/ui/parts/trait-field'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'

interface Draft {
  readonly name: string
  readonly number: number
  readonly source: TraitSource
  readonly traits: Readonly<Record<string, unknown>>
}

const SOURCE_WORDS: Readonly<Record<TraitSource, string>> = {
  manual: 'its manual',
  plate: 'the plate on it',
  technician: 'a technician',
  tried: 'trying it out',
}

/** A machine by its traits, answered standing in front of it; what is not known yet can stay open. */
export function NewMachine({
  questions,
  place,
  number,
}: {
  questions: readonly { readonly trait: string; readonly question: string; readonly schema: FieldSchema }[]
  place: { readonly x: number; readonly y: number }
  number: number
}) {
  const [draft, keep] = useKept<Draft>('new-machine', { name: '', number, source: 'manual', traits: {} })
  const [machineId] = useState(() => uuid())
  const { busy, fault, write } = useWrite()
  const answered = Object.values(draft.traits).filter((value) => value !== undefined).length

  const add = async () => {
    if (
      await write(
        'add-machine',
        { machineId, place, ...draft },
        { done: `${draft.name} stands in the room`, then: `/machines/${machineId}` },
      )
    ) {
      keep(undefined)
    }
  }
  return (
    <form
      className="mx-auto flex max-w-3xl flex-col gap-6"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void add()
      }}
    >
      <div>
        <h1 className="text-3xl font-bold">Add a machine</h1>
        <p className="mt-1">
          Stand at it with its manual. Leave open what you do not know; it is asked for again later.
        </p>
      </div>
      <div className="flex flex-wrap gap-4">
        <label className="flex flex-col gap-1">
          <span className="font-bold">A short name people say aloud</span>
          <input
            className="input"
            required
            maxLength={80}
            value={draft.name}
            onChange={({ target }) => keep({ ...draft, name: target.value })}
          />
        </label>
        <label className="flex flex-col gap-1">
          <span className="font-bold">Number</span>
          <input
            className="input w-28"
            type="number"
            min={1}
            max={9999}
            required
            value={draft.number}
            onChange={({ target }) => keep({ ...draft, number: target.valueAsNumber })}
          />
        </label>
      </div>
      <TraitField
        question="Who says so?"
        schema={{ enum: TRAIT_SOURCES.map((source) => SOURCE_WORDS[source]) }}
        value={SOURCE_WORDS[draft.source]}
        set={(words) =>
          keep({ ...draft, source: TRAIT_SOURCES.find((source) => SOURCE_WORDS[source] === words) ?? 'manual' })
        }
      />
      {questions.map(({ trait, question, schema }) => (
        <TraitField
          key={trait}
          question={question}
          schema={schema}
          value={draft.traits[trait]}
          set={(value) => keep({ ...draft, traits: { ...draft.traits, [trait]: value } })}
        />
      ))}
      <div className="sticky bottom-0 -mx-4 flex flex-wrap items-center gap-4 border-t border-base-300 bg-base-100 px-4 py-3">
        <p>
          <span className="numeral text-2xl">{answered}</span> of {questions.length} answered
        </p>
        <FaultNote fault={fault} />
        <button type="submit" className="btn btn-primary btn-lg ml-auto" disabled={busy}>
          Put it in the room
        </button>
      </div>
    </form>
  )
}
