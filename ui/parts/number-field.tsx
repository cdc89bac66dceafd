'use client'

import { useState } from 'react'

/** A number to type: told only while it lies within its bounds, and shown as it is again when left. */
export function NumberField({
  name,
  value,
  min,
  max,
  step,
  set,
  className = 'w-28',
}: {
  name: string
  value: number
  min?: number
  max?: number
  step: number
  set: (value: number) => void
  className?: string
}) {
  const [typed, setTyped] = useState<string>()
  return (
    <input
      type="number"
      className={`input ${className}`}
      aria-label={name}
      value={typed ?? value}
      min={min}
      max={max}
      step={step}
      required
      onChange={({ target }) => {
        setTyped(target.value)
        const number = target.valueAsNumber
        if (Number.isFinite(number) && number >= (min ?? -Infinity) && number <= (max ?? Infinity)) set(number)
      }}
      onBlur={() => setTyped(undefined)}
    />
  )
}
