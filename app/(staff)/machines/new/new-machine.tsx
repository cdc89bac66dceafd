'use client'

import { Link } from '@/ui/parts/link'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { TRAIT_NAMES, type TraitName } from '@/core/knowledge/machine/trait'
import { PROVEN_SOURCES, SOURCE_WORDS } from '@/core/machine/trait-source'
import { TRAITS_FOR_A_KIT } from '@/core/kit/kit-machine'
import type { Archetype } from '@/core/knowledge/machine/archetype'
import { capital } from '@/core/units/words'
import { Choice } from '@/ui/fields/choice'
import { Count } from '@/ui/fields/number'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { TraitField, type FieldSchema } from '@/ui/parts/trait-field'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'

const decides = (trait: TraitName) => TRAITS_FOR_A_KIT.some((each) => each === trait)

interface Draft {
  readonly name: string
  readonly number: number
  readonly source: (typeof PROVEN_SOURCES)[number]
  /** answers that come from a template and were not touched since */
  readonly unchecked?: readonly TraitName[]
  readonly traits: Readonly<Record<string, unknown>>
}

/** A machine by its traits, answered standing in front of it; what is not known yet can stay open. */
export function NewMachine({
  questions,
  archetypes,
  place,
  number,
  mayImport,
}: {
  questions: readonly { readonly trait: TraitName; readonly question: string; readonly schema: FieldSchema }[]
  archetypes: readonly Archetype[]
  place: { readonly x: number; readonly y: number }
  number: number
  mayImport: boolean
}) {
  const [draft, keep] = useKept<Draft>('new-machine', { name: '', number, source: 'manual', traits: {} })
  const [machineId] = useState(() => uuid())
  const { busy, fault, write } = useWrite()
  const at = (field: string) => (fault?.path === field ? capital(fault.what ?? fault.message) : undefined)
  const answered = Object.values(draft.traits).filter((value) => value !== undefined).length

  const field = ({ trait, question, schema }: (typeof questions)[number]) => (
    <TraitField
      key={trait}
      question={question}
      schema={schema}
      value={draft.traits[trait]}
      set={(value) =>
        keep({
          ...draft,
          traits: { ...draft.traits, [trait]: value },
          unchecked: draft.unchecked?.filter((each) => each !== trait) ?? [],
        })
      }
      guess={draft.unchecked?.includes(trait)}
    />
  )
  const add = async () => {
    if (
      await write(
        'add-machine',
        {
          machineId,
          place,
          ...draft,
          unchecked: draft.unchecked?.filter((each) => draft.traits[each] !== undefined) ?? [],
        },
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
          {mayImport && (
            <>
              {' '}
              Several at once come{' '}
              <Link className="link" href="/machines/exchange">
                from a file
              </Link>
              .
            </>
          )}
        </p>
      </div>
      <div className="flex flex-wrap gap-4">
        <Text
          label="A short name people say aloud"
          most={80}
          value={draft.name}
          set={(name) => keep({ ...draft, name })}
          error={at('name')}
        />
        <Count
          label="Number"
          min={1}
          max={9999}
          value={draft.number}
          set={(number) => keep({ ...draft, number })}
          error={at('number')}
        />
      </div>
      <Choice
        label="Who says so?"
        options={PROVEN_SOURCES.map((source) => [source, SOURCE_WORDS[source]])}
        value={draft.source}
        set={(source) => keep({ ...draft, source })}
      />
      <fieldset>
        <legend className="mb-1 font-bold">Does it look like one of these?</legend>
        <p className="mb-2 text-sm">
          Choosing one fills in what such machines usually have. Every answer stays marked until somebody has checked it
          at this machine.
        </p>
        <div className="grid gap-2 sm:grid-cols-2">
          {archetypes.map(({ id, name, looks, traits }) => (
            <button
              key={id}
              type="button"
              className="sheet p-3 text-left hover:bg-base-200"
              onClick={() => keep({ ...draft, traits, unchecked: TRAIT_NAMES.filter((each) => each in traits) })}
            >
              <strong>{name}</strong>
              <span className="block text-sm">{looks}</span>
            </button>
          ))}
        </div>
      </fieldset>
      <section aria-labelledby="decides" className="flex flex-col gap-6">
        <div>
          <h2 id="decides" className="text-xl font-bold">
            What decides which kits it can sew
          </h2>
          <p className="text-sm">Without these no kit is promised on it.</p>
        </div>
        {questions.filter(({ trait }) => decides(trait)).map(field)}
      </section>
      <details>
        <summary className="min-h-11 cursor-pointer py-2 text-xl font-bold">
          All else that can be known of it ({questions.filter(({ trait }) => !decides(trait)).length})
        </summary>
        <p className="mb-4 text-sm">These can wait: each is asked again at the machine, on its page.</p>
        <div className="flex flex-col gap-6">{questions.filter(({ trait }) => !decides(trait)).map(field)}</div>
      </details>
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
