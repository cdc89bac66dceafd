'use client'

import { useState } from 'react'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** One tap tells every screen of staff, and stops the machine if it was at one; what happened may be said, and need not. */
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
  const [told, setTold] = useState<'stopped' | 'called'>()
  const { busy, fault, log, write } = useWrite()
  const machine = machines.find((each) => each.machineId === machineId)
  const some = machines.length > 0
  const said = what.trim() === '' ? {} : { what: what.trim() }
  if (told) {
    return (
      <section className="sheet p-5" role="status">
        <h2 className="text-2xl font-bold">
          {told === 'stopped' ? `${machine?.name} is stopped, and staff are told` : 'Staff are told'}
        </h2>
        <p className="mt-1 text-lg">Stay with them. Call out loud, too: a screen is not a person.</p>
      </section>
    )
  }
  return (
    <section className="sheet flex flex-col gap-2 p-5" aria-labelledby="stop">
      <h2 id="stop" className="scroll-mt-24 text-2xl font-bold">
        {some ? 'Then: stop the machine' : 'Then: call staff'}
      </h2>
      {!learner && machines.length > 1 && (
        <Select
          large
          label="At which machine?"
          options={[
            ['', 'choose'],
            ...machines.map((each) => [each.machineId, `${each.name}, no. ${each.number}`] as const),
          ]}
          value={machineId}
          set={setMachineId}
        />
      )}
      <Text
        optional
        label="What happened, in a few words (no names needed; may stay empty)"
        most={300}
        value={what}
        set={setWhat}
      />
      <FaultNote fault={fault} />
      {some && (
        <button
          type="button"
          className="btn btn-error btn-lg mt-3 w-full"
          disabled={busy || machineId === ''}
          onClick={() =>
            void log(machineId, 'somebody-hurt', said, {
              done: 'Staff are told; the machine is stopped',
              forGood: true,
            }).then((landed) => landed && setTold('stopped'))
          }
        >
          {machine ? `Stop ${machine.name} and call staff` : 'Stop it and call staff'}
        </button>
      )}
      <button
        type="button"
        className={some ? 'btn btn-outline mt-1 min-h-11 w-full' : 'btn btn-error btn-lg mt-3 w-full'}
        disabled={busy}
        onClick={() =>
          void write('call-staff', { hurt: true, found: said }, { done: 'Staff are told', stays: true }).then(
            (landed) => landed && setTold('called'),
          )
        }
      >
        {some ? 'It was not at a machine: call staff' : 'Call staff'}
      </button>
    </section>
  )
}
