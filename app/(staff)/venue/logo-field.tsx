'use client'

import { useId, useState } from 'react'
import { LOGO_MOST_LETTERS } from '@/core/room/venue-settings'
import { described, Row, type FieldOf } from '@/ui/fields/row'

/** As wide and as high as it may be in dots, the sharpest first: a busy picture has to do with fewer. */
const SIZES = [
  [480, 144],
  [320, 96],
  [200, 60],
  [120, 36],
] as const

/** @returns a PNG of the picture, small enough to stand on every sheet, as a data address; undefined when none is */
async function smallPicture(file: File): Promise<string | undefined> {
  const picture = await createImageBitmap(file)
  for (const [width, height] of SIZES) {
    const scale = Math.min(1, width / picture.width, height / picture.height)
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(picture.width * scale))
    canvas.height = Math.max(1, Math.round(picture.height * scale))
    canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const address = canvas.toDataURL('image/png')
    if (address.length <= LOGO_MOST_LETTERS) return address
  }
  return undefined
}

/** A picture for what is printed, made small on this device. Empty: none. */
export function LogoField(field: FieldOf<string>) {
  const id = useId()
  const [wrong, setWrong] = useState<string>()
  const error = wrong ?? field.error
  const choose = async (file: File | undefined) => {
    if (!file) return
    const picture = await smallPicture(file).catch(() => undefined)
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
