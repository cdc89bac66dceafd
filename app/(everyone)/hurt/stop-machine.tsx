'use client'

import { useState } from 'react'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** One tap stops the machine and tells every screen of staff; what happened may be said, and need not. */
export function StopMachine({
  machines,
  asked,
  learner,
}: {
  machines: readonly { readonly machineId: string; readonly name: string; readonly number: number }[]
  asked: string | undefined
  learner: boolean
}) {
  const known = machines.some(({ machineId }) => machineId === asked) ? asked : undefined
  const [machineId, setMachineId] = useState(known ?? (machines.length === 1 ? machines[0]!.machineId : ''))
  const [what, setWhat] = useState('')
  const [told, setTold] = useState(false)
  const { busy, fault, log } = useWrite()
  const machine = machines.find((each) => each.machineId === machineId)
  if (machines.length === 0) {
    return <p className="text-lg">You have no seat at a machine here: call out loud, now.</p>
  }
  if (told) {
    return (
      <section className="sheet p-5" role="status">
        <h2 className="text-2xl font-bold">{machine?.name} is stopped, and staff are told</h2>
        <p className="mt-1 text-lg">Stay with them. Call out loud, too: a screen is not a person.</p>
      </section>
    )
  }
  return (
    <section className="sheet p-5" aria-labelledby="stop">
      <h2 id="stop" className="text-2xl font-bold">
        Then: stop the machine
      </h2>
      {!learner && machines.length > 1 && (
        <label className="mt-2 flex flex-col gap-1">
          At which machine?
          <select
            className="select select-lg w-full"
            value={machineId}
            onChange={({ target }) => setMachineId(target.value)}
          >
            <option value="">choose</option>
            {machines.map((each) => (
              <option key={each.machineId} value={each.machineId}>
                {each.name}, no. {each.number}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="mt-2 flex flex-col gap-1">
        What happened, in a few words (no names needed; may stay empty)
        <input className="input w-full" maxLength={300} value={what} onChange={({ target }) => setWhat(target.value)} />
      </label>
      <FaultNote fault={fault} />
      <button
        type="button"
        className="btn btn-error btn-lg mt-3 w-full"
        disabled={busy || machineId === ''}
        onClick={() =>
          void log(machineId, 'somebody-hurt', what.trim() === '' ? {} : { what: what.trim() }, {
            done: 'Staff are told; the machine is stopped',
            forGood: true,
          }).then(setTold)
        }
      >
        {machine ? `Stop ${machine.name} and call staff` : 'Stop it and call staff'}
      </button>
    </section>
  )
}
