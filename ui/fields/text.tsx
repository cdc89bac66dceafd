'use client'

import { useId } from 'react'
import { described, Row, type FieldOf } from './row'

interface Props extends FieldOf<string> {
  readonly type?: 'text' | 'email' | 'password' | 'date' | 'time'
  readonly most?: number
  readonly optional?: boolean
  readonly placeholder?: string
  readonly autoComplete?: string
  readonly large?: boolean
  /** figures and codes, that are read sign by sign */
  readonly mono?: boolean
}

/** A few words, or what a browser has an input of its own for. */
export function Text({
  type = 'text',
  most = 200,
  optional = false,
  placeholder,
  autoComplete = 'off',
  ...field
}: Props) {
  const id = useId()
  return (
    <Row id={id} {...field}>
      <input
        {...described(id, field)}
        type={type}
        className={`input w-full ${type === 'time' || type === 'date' ? 'min-w-40' : ''} ${field.large ? 'input-lg' : ''} ${field.mono ? 'font-mono' : ''} ${field.error ? 'input-error' : ''}`}
        autoComplete={autoComplete}
        required={!optional}
        maxLength={type === 'text' ? most : undefined}
        placeholder={placeholder}
        value={field.value}
        onChange={({ target }) => field.set(target.value)}
      />
    </Row>
  )
}
