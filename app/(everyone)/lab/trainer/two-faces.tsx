'use client'

import { drawnSwatch } from '@/core/trainer/drawn-swatch'
import type { StitchSetup } from '@/core/stitch/lockstitch'
import { SewnPicture } from '@/ui/picture/sewn-picture'

export const FACE_WORDS = { top: 'On top', under: 'Turned over' } as const

/** A swatch as it is held: its top, and turned over; for a row of a list side by side. */
export function TwoFaces({
  setup,
  seed,
  diagram,
  lengthMm,
  beside = false,
}: {
  setup: StitchSetup
  seed: number
  diagram: boolean
  lengthMm: number
  /** without words of their own: the list says which is which */
  beside?: boolean
}) {
  const sewn = { ...drawnSwatch(setup), seed, diagram, lengthMm, className: 'w-full border border-base-300' }
  return (
    <div className={beside ? 'grid gap-1 sm:grid-cols-2 sm:gap-2' : 'flex flex-col gap-2'}>
      {(['top', 'under'] as const).map((face) => (
        <figure key={face}>
          <SewnPicture {...sewn} face={face} />
          {!beside && <figcaption className="text-sm">{FACE_WORDS[face]}</figcaption>}
        </figure>
      ))}
    </div>
  )
}
