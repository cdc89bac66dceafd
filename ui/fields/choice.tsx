'use client'

import { useId } from 'react'
import { Group, type FieldOf } from './row'
import type { Options } from './select'

function Button(props: {
  type: 'radio' | 'checkbox'
  name: string
  words: string
  chosen: boolean
  choose: () => void
}) {
  const { type, name, words, chosen, choose } = props
  return (
    <label className={`btn ${chosen ? 'btn-neutral' : 'btn-outline'}`}>
      <input type={type} name={name} className="sr-only" checked={chosen} onChange={choose} />
      {words}
    </label>
  )
}

/** One of a few, all in sight, drawn as buttons. */
export function Choice<Value extends string>({
  options,
  ...field
}: Omit<FieldOf<Value | undefined>, 'set'> & {
  readonly set: (value: Value) => void
  readonly options: Options<Value>
}) {
  const id = useId()
  return (
    <Group id={id} {...field}>
      {options.map(([value, words]) => (
        <Button
          key={value}
          type="radio"
          name={id}
          words={words}
          chosen={field.value === value}
          choose={() => field.set(value)}
        />
      ))}
    </Group>
  )
}

/** Any of a few. */
export function Choices<Value extends string>({
  options,
  ...field
}: FieldOf<readonly Value[]> & { readonly options: Options<Value> }) {
  const id = useId()
  const toggled = (value: Value) =>
    field.value.includes(value) ? field.value.filter((each) => each !== value) : [...field.value, value]
  return (
    <Group id={id} {...field}>
      {options.map(([value, words]) => (
        <Button
          key={value}
          type="checkbox"
          name={id}
          words={words}
          chosen={field.value.includes(value)}
          choose={() => field.set(toggled(value))}
        />
      ))}
    </Group>
  )
}

/** Yes or no, on one line. */
export function Tick({ label, value, set, hint }: FieldOf<boolean>) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input type="checkbox" className="checkbox" checked={value} onChange={() => set(!value)} />
      <span>
        {label}
        {hint && <span className="block text-sm">{hint}</span>}
      </span>
    </label>
  )
}
