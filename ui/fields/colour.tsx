'use client'

import { useId } from 'react'
import { described, Row, type FieldOf } from './row'

/** A colour, "#rrggbb", chosen as the device lets one choose: from a palette, or off the screen. */
export function ColourField(field: FieldOf<string>) {
  const id = useId()
  return (
    <Row id={id} {...field}>
      <input
        {...described(id, field)}
        type="color"
        className="h-11 w-20 cursor-pointer border border-base-300"
        value={field.value}
        onChange={({ target }) => field.set(target.value)}
      />
    </Row>
  )
}
