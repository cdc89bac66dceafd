'use client'

import { useState } from 'react'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Count } from '@/ui/fields/number'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

interface Machine {
  readonly machineId: string
  readonly name: string
  readonly number: number
  readonly notes: string
}

/** A machine that stands in the room no more: since when, why, and the way back. */
export function AwayNote(props: Machine & { since: string; because: string | undefined; mayTakeOut: boolean }) {
  const { machineId, name, since, because, mayTakeOut } = props
  const { busy, fault, log } = useWrite()
  return (
    <section className="sheet mb-5 mt-3 flex flex-wrap items-center gap-4 p-4" aria-label={`${name} is put away`}>
      <p className="min-w-64 flex-1 text-lg">
        <strong>Put away since {since}.</strong> {because && `${because}. `}It is in no plan and no list; its book
        stays.
      </p>
      {mayTakeOut && (
        <button
          type="button"
          className="btn btn-outline btn-lg"
          disabled={busy}
          onClick={() => void log(machineId, 'taken-out', {}, { done: `${name} stands in the room again` })}
        >
          Take it out again
        </button>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}

/** What it is called, and the way out of the room: needed once in years, so it is folded away. */
export function WholeMachine({ machine }: { machine: Machine }) {
  const { machineId, name } = machine
  const [because, setBecause] = useState('')
  const { busy, fault, log } = useWrite()
  const form = useCommandForm('rename-machine', {
    start: { name, number: machine.number, notes: machine.notes },
    body: (values) => ({ machineId, ...values }),
    words: (values) => ({ done: `It is ${values.name}, no. ${values.number}` }),
  })
  return (
    <details className="sheet p-5">
      <summary className="min-h-11 cursor-pointer py-2 text-xl font-bold">Its name, or put it away</summary>
      <div className="mt-2 flex flex-col gap-6">
        <CommandForm form={form} label="What it is called" button="Keep it so">
          <Text label="Name" most={80} {...form.field('name')} />
          <Count label="Number" min={1} max={9999} {...form.field('number')} />
          <Text optional label="Note on its card" most={500} {...form.field('notes')} />
        </CommandForm>
        <form
          className="flex flex-col gap-3 border-t border-dashed border-base-content/40 pt-4"
          aria-label="Put it away"
          onSubmit={(submitted) => {
            submitted.preventDefault()
            const why = because.trim()
            void log(machineId, 'put-away', why ? { because: why } : {}, {
              done: `${name} is put away; its book stays`,
            })
          }}
        >
          <p>
            Given away, lent, stored or scrapped: it leaves the map, the plans and every list, and nobody has a seat at
            it. Its book stays and can be read, and it can be taken out again.
          </p>
          <Text optional label="Why (may stay empty)" most={500} value={because} set={setBecause} />
          <FaultNote fault={fault} />
          <button type="submit" className="btn btn-outline self-start" disabled={busy}>
            Put {name} away
          </button>
        </form>
      </div>
    </details>
  )
}
