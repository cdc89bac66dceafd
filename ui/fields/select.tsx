'use client'

import { useId } from 'react'
import { described, Row, type FieldOf } from './row'

export type Options<Value extends string = string> = readonly (readonly [Value, string])[]

/** One of many, from a list that opens. */
export function Select<Value extends string>({
  options,
  large,
  disabled,
  ...field
}: FieldOf<Value> & { readonly options: Options<Value>; readonly large?: boolean; readonly disabled?: boolean }) {
  const id = useId()
  return (
    <Row id={id} {...field}>
      <select
        {...described(id, field)}
        className={`select w-full ${large ? 'select-lg' : ''} ${field.error ? 'select-error' : ''}`}
        disabled={disabled}
        value={field.value}
        onChange={({ target }) => field.set(target.value as Value)}
      >
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </Row>
  )
}
