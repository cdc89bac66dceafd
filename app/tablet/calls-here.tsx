'use client'

import type { UnnamedCall } from '@/core/wire/asks'
import { useStaysAwake } from '@/ui/stays-awake'
import { CallsAloft } from '../_parts/calls/calls-aloft'
import { useRings } from '../_parts/calls/ring'
import { AsOf } from '../_parts/live/as-of'
import { useTold } from '../_parts/live/use-told'

const NONE: readonly UnnamedCall[] = []

/** What whoever is near learns from a tablet that lies there: that somebody calls, and where. Above the keys, which it moves never. */
export function CallsHere() {
  const line = useTold('calls-unnamed')
  const calls = line.told?.calls ?? NONE
  useRings(calls)
  useStaysAwake()
  return (
    <div className="fixed inset-x-0 top-0 z-10 max-h-[45dvh] overflow-y-auto p-3">
      <CallsAloft calls={calls} />
      <AsOf line={line} />
    </div>
  )
}
