'use client'

import { Hand } from 'lucide-react'
import { useWrite } from '@/ui/parts/use-write'

/** Always there while somebody sits at a machine: one tap, and every screen of staff says who calls and where. */
export function CallButton({ machineId }: { machineId: string }) {
  const { busy, write } = useWrite()
  return (
    <button
      type="button"
      className="btn btn-outline min-h-11 px-3"
      aria-label="Call somebody"
      disabled={busy}
      onClick={() => void write('call-staff', { machineId, found: {} }, { done: 'Staff are called', stays: true })}
    >
      <Hand className="size-5" aria-hidden="true" /> <span className="max-sm:sr-only">Call</span>
    </button>
  )
}
