'use client'

import { useId, useState } from 'react'
import { plain } from '@/core/units/words'
import { described, Row, type FieldOf } from './row'

interface Bounds {
  readonly min?: number
  readonly max?: number
  readonly step?: number
  readonly unit?: string
  readonly placeholder?: string
}

type Props = Bounds &
  Omit<FieldOf<number | undefined>, 'set'> &
  (
    | { readonly optional?: false; readonly set: (value: number) => void }
    // Leaving it empty is an answer.
    | { readonly optional: true; readonly set: (value: number | undefined) => void }
  )

const allowedWords = (min: number | undefined, max: number | undefined): string =>
  min !== undefined && max !== undefined
    ? `Between ${plain(min)} and ${plain(max)}`
    : min !== undefined
      ? `${plain(min)} or more`
      : `${plain(max ?? 0)} or less`

/** A number to type: told only while it lies within its bounds, and said at once where it does not. */
function NumberInput({ min, max, step, unit, whole, placeholder, ...field }: Props & { readonly whole: boolean }) {
  const id = useId()
  const [typed, setTyped] = useState<string>()
  const tell = (text: string) => {
    setTyped(text)
    const number = Number(text)
    if (text.trim() === '') {
      if (field.optional) field.set(undefined)
    } else if (fits(number)) field.set(number)
  }
  const fits = (number: number) =>
    Number.isFinite(number) &&
    (!whole || Number.isInteger(number)) &&
    number >= (min ?? -Infinity) &&
    number <= (max ?? Infinity)
  const off = typed !== undefined && (typed.trim() === '' ? !field.optional : !fits(Number(typed)))
  const error =
    field.error ??
    (off
      ? `${min === undefined && max === undefined ? 'A number' : allowedWords(min, max)}${whole ? ', a whole number' : ''}`
      : undefined)
  return (
    <Row id={id} {...field} error={error}>
      <span className="flex items-center gap-2">
        <input
          {...described(id, { ...field, error })}
          type="number"
          inputMode={whole ? 'numeric' : 'decimal'}
          className={`input w-28 ${error ? 'input-error' : ''}`}
          min={min}
          max={max}
          step={step ?? (whole ? 1 : 'any')}
          required={!field.optional}
          placeholder={placeholder}
          value={typed ?? field.value ?? ''}
          onChange={({ target }) => tell(target.value)}
          onBlur={() => setTyped(undefined)}
        />
        {unit && <span className="text-sm">{unit}</span>}
      </span>
    </Row>
  )
}

/** How many: a whole number. */
export const Count = (props: Props) => <NumberInput whole {...props} />

/** How much: a number with its unit. */
export const Amount = (props: Props) => <NumberInput whole={false} {...props} />
