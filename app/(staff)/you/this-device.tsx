'use client'

import { useSyncExternalStore } from 'react'
import { canStayAwake } from '@/ui/stays-awake'
import { Hearing } from '../../_parts/calls/hearing'

const never = () => () => {}

/** What this device does when somebody calls: it is chosen for the device, whoever holds it. */
export function ThisDevice() {
  const staysAwake = useSyncExternalStore(never, canStayAwake, () => true)
  return (
    <section className="sheet flex flex-col items-start gap-3 p-5">
      <h2 className="text-xl font-bold">This device</h2>
      <Hearing />
      <p className="text-sm">
        A call is heard when it comes, and again until somebody goes: each minute, each ten seconds where somebody is
        hurt.
      </p>
      <p className="text-sm">
        {staysAwake
          ? 'Its screen stays on while Now or the wall is open.'
          : 'This browser cannot keep the screen on: set the device so. A screen that has gone dark shows no call.'}
      </p>
    </section>
  )
}
