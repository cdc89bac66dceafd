'use client'

import { spaced } from '@/core/units/words'
import { useId, useState } from 'react'
import { Choice, Choices } from '../fields/choice'
import { Amount, Count } from '../fields/number'
import { Group } from '../fields/row'
import { Text } from '../fields/text'
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
    const chosen = schema.enum.find((each) => each === value)
    return (
      <Choice
        label={question}
        options={schema.enum.map((each) => [String(each), spaced(String(each))])}
        value={chosen === undefined ? undefined : String(chosen)}
        set={(words) => set(schema.enum!.find((each) => String(each) === words))}
      />
    )
  }
  if (schema.type === 'boolean') {
    return (
      <Choice
        label={question}
        options={[
          ['yes', 'yes'],
          ['no', 'no'],
        ]}
        value={value === undefined ? undefined : value === true ? 'yes' : 'no'}
        set={(words) => set(words === 'yes')}
      />
    )
  }
  if (schema.type === 'array') {
    const offered = schema.items?.enum ?? []
    const list = (value as (string | number)[] | undefined) ?? []
    return (
      <Choices
        label={question}
        options={offered.map((each) => [String(each), spaced(String(each))])}
        value={list.map(String)}
        set={(words) => set(offered.filter((each) => words.includes(String(each))))}
      />
    )
  }
  if (schema.type === 'object') {
    return (
      <Numbers question={question} schema={schema} value={value as Record<string, unknown> | undefined} set={set} />
    )
  }
  if (schema.type === 'integer' || schema.type === 'number') {
    const Number = schema.type === 'integer' ? Count : Amount
    return <Number label={question} optional value={value as number | undefined} set={set} />
  }
  return (
    <Text
      label={question}
      optional
      value={(value as string | undefined) ?? ''}
      set={(text) => set(text.trim() === '' ? undefined : text)}
    />
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
  const id = useId()
  const [typed, setTyped] = useState<Record<string, unknown>>(value ?? {})
  const names = Object.keys(schema.properties ?? {}).filter((name) => schema.required?.includes(name))
  const change = (name: string, text: string) => {
    const next = { ...typed, [name]: text === '' ? undefined : Number(text) }
    setTyped(next)
    set(names.every((each) => typeof next[each] === 'number') ? next : undefined)
  }
  return (
    <Group id={id} label={question}>
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
    </Group>
  )
}
