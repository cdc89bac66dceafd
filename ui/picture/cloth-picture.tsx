'use client'

import type { ShownCloth } from '@/core/picture/swatch-scene'
import { ORDINARY_SEAM } from '@/core/stitch/geometry'
import { SwatchPicture } from './swatch-picture'
import { useTestThreads } from './test-threads'

/** A piece of cloth with nothing sewn on it, as large as it is shown: so many millimetres of it on so many of the screen’s. */
export function ClothPicture({
  cloth,
  label,
  lengthMm,
  heightMm,
  widthMm,
}: {
  cloth: ShownCloth
  label: string
  lengthMm: number
  heightMm: number
  /** of the screen or paper */
  widthMm: number
}) {
  const threads = useTestThreads()
  return (
    <div style={{ width: `${widthMm}mm`, maxWidth: '100%' }}>
      <SwatchPicture
        shown={{ face: 'top', stitch: ORDINARY_SEAM, bare: true, cloth, threads, seed: 7, lengthMm, heightMm }}
        label={label}
        className="w-full border border-base-300"
      />
    </div>
  )
}
