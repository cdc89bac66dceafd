'use client'

import { useId } from 'react'
import { described, Row, type FieldOf } from './row'

export type Options<Value extends string = string> = readonly (readonly [Value, string])[]

/** One of many, from a list that opens. */
export function Select<Value extends string>({
  options,
  ...field
}: FieldOf<Value> & { readonly options: Options<Value> }) {
  const id = useId()
  return (
    <Row id={id} {...field}>
      <select
        {...described(id, field)}
        className={`select w-full ${field.error ? 'select-error' : ''}`}
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
