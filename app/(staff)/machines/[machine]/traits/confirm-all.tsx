'use client'

import { counted } from '@/core/units/words'
import type { TraitName } from '@/core/knowledge/machine/trait'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** For whoever has looked through the list at the machine: what is not so is changed first, and the rest is said in one tap. */
export function ConfirmAll({ machineId, traits }: { machineId: string; traits: readonly TraitName[] }) {
  const { busy, fault, write } = useWrite()
  const words = traits.length === 1 ? 'It is so' : `All ${traits.length} are so`
  return (
    <div className="mb-4 flex flex-wrap items-center gap-3">
      <button
        type="button"
        className="btn btn-outline btn-lg"
        disabled={busy}
        onClick={() =>
          void write(
            'confirm-traits',
            { machineId, traits: [...traits] },
            { done: `${counted(traits.length, 'answer')} checked at the machine` },
          )
        }
      >
        {words}
      </button>
      <span className="text-sm">Change first what is not; this says that you have looked at the rest.</span>
      <FaultNote fault={fault} />
    </div>
  )
}
