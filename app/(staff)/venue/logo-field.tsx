'use client'

import { useId, useState } from 'react'
import { LOGO_MOST_LETTERS } from '@/core/room/venue-settings'
import { described, Row, type FieldOf } from '@/ui/fields/row'
import { madeSmall } from '@/ui/picture/made-small'

/** The sharpest first: a busy picture has to do with fewer dots. */
const SIZES = [
  { width: 480, height: 144 },
  { width: 320, height: 96 },
  { width: 200, height: 60 },
  { width: 120, height: 36 },
] as const

/** A picture for what is printed, made small on this device. Empty: none. */
export function LogoField(field: FieldOf<string>) {
  const id = useId()
  const [wrong, setWrong] = useState<string>()
  const error = wrong ?? field.error
  const choose = async (file: File | undefined) => {
    if (!file) return
    const picture = await madeSmall(file, 'image/png', LOGO_MOST_LETTERS, SIZES).catch(() => undefined)
    setWrong(picture ? undefined : 'This is no picture that this browser opens: choose a PNG or a JPEG')
    if (picture) field.set(picture)
  }
  return (
    <Row id={id} {...field} error={error}>
      <div className="flex flex-wrap items-center gap-4">
        {field.value && (
          <img
            src={field.value}
            alt="The logo as it is printed"
            className="h-16 max-w-64 border border-base-300 bg-white object-contain p-1"
          />
        )}
        <input
          {...described(id, { hint: field.hint, error })}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          className="file-input min-h-11"
          onChange={({ target }) => void choose(target.files?.[0])}
        />
        {field.value && (
          <button type="button" className="btn btn-ghost min-h-11" onClick={() => field.set('')}>
            Print without it
          </button>
        )}
      </div>
    </Row>
  )
}
