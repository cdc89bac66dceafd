'use client'

import { named } from '@/core/units/words'
import { useMemo } from 'react'
import { bagStanding, type KitRoom, type Unsound } from '@/core/kit/for-room'
import type { KitMachine } from '@/core/kit/request'
import { UNSOUND_WORDS } from '@/core/machine/standing'
import type { Traits } from '@/core/knowledge/machine/trait'
import type { FabricFacts } from '@/ui/parts/fabric-facts'
import { KitCard } from '@/ui/parts/kit-card'

export interface NewProjectMachine {
  readonly machineId: string
  readonly name: string
  readonly traits: Traits
  readonly machine?: KitMachine
  readonly unsound: Unsound | undefined
}

/** The kit that would come of it, as it is filled in. */
export function WouldGet({
  facts,
  machines,
  room,
}: {
  facts: FabricFacts
  machines: readonly NewProjectMachine[]
  room: KitRoom
}) {
  const { kit, machineId, refusals, able } = useMemo(() => bagStanding(facts, machines, room), [facts, machines, room])
  const machine = machines.find((each) => each.machineId === machineId)
  return (
    <section aria-label="What it would get" aria-live="polite" className="flex min-w-0 flex-col gap-3">
      <h2 className="text-xl">
        {kit && machine ? (
          <>
            Best on <strong>{machine.name}</strong>
            {machine.unsound && UNSOUND_WORDS[machine.unsound]}: <strong>{named(kit.verdict)}</strong>
            {kit.inStock === false && ', not in stock'}
            {kit.confidence === 'low' && <span className="text-base"> (rests on a guess)</span>}
          </>
        ) : (
          'No machine here can do it yet'
        )}
      </h2>
      <p className="text-sm">
        {able} of {machines.length} machines can do it.
      </p>
      {refusals[0] && !kit && <p>{refusals[0].because}</p>}
      {kit && machine && (
        <KitCard kit={kit} traits={machine.traits} fabric={facts.fabric} layers={facts.layers} use={undefined} />
      )}
    </section>
  )
}
