'use client'

import { Hand } from 'lucide-react'
import { useWrite } from '@/ui/parts/use-write'

/** Always there: one tap, and every screen of staff says who calls and where. @param machineId absent: they sit at none just now */
export function CallButton({ machineId }: { machineId?: string | undefined }) {
  const { busy, write } = useWrite()
  return (
    <button
      type="button"
      className="btn btn-outline min-h-11 px-3"
      aria-label="Call somebody"
      disabled={busy}
      onClick={() =>
        void write(
          'call-staff',
          { ...(machineId && { machineId }), found: {} },
          { done: 'Staff are called', stays: true },
        )
      }
    >
      <Hand className="size-5" aria-hidden="true" /> <span className="max-sm:sr-only">Call</span>
    </button>
  )
}
