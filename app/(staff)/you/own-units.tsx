'use client'

import { useState } from 'react'
import type { Units } from '@/core/units/measure'
import { LengthsIn, WeightsIn } from '@/ui/parts/units-fields'
import { useWrite } from '@/ui/parts/use-write'

/** In what somebody measures and weighs themselves, whatever their venue does. */
export function OwnUnits({ own, venue }: { own: Units | undefined; venue: Units }) {
  const [units, setUnits] = useState(own)
  const { busy, write } = useWrite()
  const shown = units ?? venue
  const set = async (to: Units | undefined) => {
    const before = units
    setUnits(to)
    const landed = await write(
      'set-own-units',
      { units: to ?? null },
      { done: to ? 'You see it that way on every page from now on' : 'You see what the venue has' },
    )
    if (!landed) setUnits(before)
  }
  return (
    <section className="sheet mt-8 flex flex-col gap-4 p-5">
      <h2 className="text-xl font-bold">Your units</h2>
      <p className="text-sm">For your eyes alone: books and kits hold the same numbers whatever anybody sees.</p>
      <LengthsIn value={shown.length} set={(length) => void set({ ...shown, length })} />
      <WeightsIn value={shown.mass} set={(mass) => void set({ ...shown, mass })} />
      {units && (
        <button type="button" className="btn btn-ghost self-start" disabled={busy} onClick={() => void set(undefined)}>
          Back to what the venue has
        </button>
      )}
    </section>
  )
}
