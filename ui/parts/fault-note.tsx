import type { Fault } from '@/core/schema/invalid'

/** What went wrong, beside the thing that was tried; nothing typed is lost. */
export function FaultNote({ fault }: { fault: Fault | undefined }) {
  if (!fault) return null
  return (
    <p role="alert" className="border-l-4 border-error py-1 pl-3 text-error">
      {fault.message}
    </p>
  )
}
