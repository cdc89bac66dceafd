'use client'

import { spaced } from '@/core/units/words'
import { useState } from 'react'
import { TRAIT_PART_WORDS } from '@/core/machine/trait-words'

/** A trait's JSON Schema as plain data, as far as a form needs it. */
export interface FieldSchema {
  readonly type?: string
  readonly enum?: readonly (string | number)[]
  readonly items?: FieldSchema
  readonly properties?: Readonly<Record<string, FieldSchema>>
  readonly required?: readonly string[]
}

/** One trait to answer, drawn from its own schema: a new trait needs no new form. `undefined`: not answered yet. */
export function TraitField({
  question,
  schema,
  value,
  set,
  guess = false,
}: {
  question: string
  schema: FieldSchema
  value: unknown
  set: (value: unknown) => void
  /** the value comes from a template: shown as not checked yet */
  guess?: boolean | undefined
}) {
  const asked = guess ? `${question} · not checked yet` : question
  return <Field question={asked} schema={schema} value={value} set={set} />
}

function Field({
  question,
  schema,
  value,
  set,
}: {
  question: string
  schema: FieldSchema
  value: unknown
  set: (value: unknown) => void
}) {
  if (schema.enum) {
    return (
      <Choices question={question}>
        {schema.enum.map((each) => (
          <Choice
            key={each}
            type="radio"
            name={question}
            words={spaced(String(each))}
            chosen={value === each}
            choose={() => set(each)}
          />
        ))}
      </Choices>
    )
  }
  if (schema.type === 'boolean') {
    return (
      <Choices question={question}>
        <Choice type="radio" name={question} words="yes" chosen={value === true} choose={() => set(true)} />
        <Choice type="radio" name={question} words="no" chosen={value === false} choose={() => set(false)} />
      </Choices>
    )
  }
  if (schema.type === 'array') {
    const list = (value as (string | number)[] | undefined) ?? []
    return (
      <Choices question={question}>
        {(schema.items?.enum ?? []).map((each) => (
          <Choice
            key={each}
            type="checkbox"
            name={question}
            words={spaced(String(each))}
            chosen={list.includes(each)}
            choose={() => set(list.includes(each) ? list.filter((one) => one !== each) : [...list, each])}
          />
        ))}
      </Choices>
    )
  }
  if (schema.type === 'object') {
    return (
      <Numbers question={question} schema={schema} value={value as Record<string, unknown> | undefined} set={set} />
    )
  }
  const isNumber = schema.type === 'number' || schema.type === 'integer'
  return (
    <label className="flex flex-col gap-1">
      <span className="font-bold">{question}</span>
      <input
        className="input w-full max-w-sm"
        type={isNumber ? 'number' : 'text'}
        step={schema.type === 'integer' ? 1 : 'any'}
        value={typeof value === 'number' || typeof value === 'string' ? value : ''}
        onChange={({ target }) => {
          const text = target.value.trim() === '' ? undefined : target.value
          set(text === undefined || !isNumber ? text : Number(text))
        }}
      />
    </label>
  )
}

/** Several numbers that belong together; the trait is answered once all that are needed are there. */
function Numbers({
  question,
  schema,
  value,
  set,
}: {
  question: string
  schema: FieldSchema
  value: Record<string, unknown> | undefined
  set: (value: unknown) => void
}) {
  const [typed, setTyped] = useState<Record<string, unknown>>(value ?? {})
  const names = Object.keys(schema.properties ?? {}).filter((name) => schema.required?.includes(name))
  const change = (name: string, text: string) => {
    const next = { ...typed, [name]: text === '' ? undefined : Number(text) }
    setTyped(next)
    set(names.every((each) => typeof next[each] === 'number') ? next : undefined)
  }
  return (
    <Choices question={question}>
      {names.map((name) => (
        <label key={name} className="flex items-center gap-2">
          {TRAIT_PART_WORDS[name] ?? name}
          <input
            className="input w-24"
            type="number"
            step="any"
            value={typeof typed[name] === 'number' ? typed[name] : ''}
            onChange={({ target }) => change(name, target.value)}
          />
        </label>
      ))}
    </Choices>
  )
}

function Choices({ question, children }: { question: string; children: React.ReactNode }) {
  return (
    <fieldset>
      <legend className="mb-1 font-bold">{question}</legend>
      <div className="flex flex-wrap gap-2">{children}</div>
    </fieldset>
  )
}

function Choice({
  type,
  name,
  words,
  chosen,
  choose,
}: {
  type: 'radio' | 'checkbox'
  name: string
  words: string
  chosen: boolean
  choose: () => void
}) {
  return (
    <label className={`btn ${chosen ? 'btn-neutral' : 'btn-outline'}`}>
      <input type={type} name={name} className="sr-only" checked={chosen} onChange={choose} />
      {words}
    </label>
  )
}
