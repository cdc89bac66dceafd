'use client'

import type { CallBesides } from '@/core/session/live-room'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

/** Where this person is on the way to, when it is to a call that no seat shows. */
export function GoingBesides({ call: { callId, who, about, machine } }: { call: CallBesides }) {
  const { busy, fault, write } = useWrite()
  return (
    <section className="sheet mb-8 flex flex-wrap items-center gap-x-8 gap-y-3 p-5" aria-label="You are going to">
      <div className="min-w-64 flex-1">
        <p className="text-sm">You are going to</p>
        <h2 className="text-3xl font-bold">
          {who}{' '}
          <span className="font-normal">at {machine ? `${machine.name}, no. ${machine.number}` : 'no machine'}</span>
        </h2>
        <p className="mt-1 text-lg">{about === 'hurt' ? 'Somebody is hurt' : 'They call'}</p>
      </div>
      <button
        type="button"
        className="btn btn-primary btn-lg"
        disabled={busy}
        onClick={() => void write('end-call', { callId }, { done: `You have been with ${who}` })}
      >
        I have been there
      </button>
      <FaultNote fault={fault} />
    </section>
  )
}
