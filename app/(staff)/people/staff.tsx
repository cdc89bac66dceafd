'use client'

import { named } from '@/core/units/words'
import { useState } from 'react'
import { v7 as uuid } from 'uuid'
import { codeFrom } from '@/core/people/invitation'
import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { Select } from '@/ui/fields/select'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { CodeShown, type MadeCode } from './code-shown'

export interface StaffShown {
  readonly personId: string
  readonly name: string
  readonly role: StaffRole
  readonly email: string
  readonly left?: string
}

/** One member of staff: what they may do, a new password, and the day they leave. */
export function StaffRow({ person, self, mails }: { person: StaffShown; self: boolean; mails: boolean }) {
  const { personId, name, role, email, left } = person
  const [made, setMade] = useState<MadeCode>()
  const [ending, setEnding] = useState(false)
  const { busy, fault, write } = useWrite()
  const letIn = async () => {
    const code = codeFrom(crypto.getRandomValues(new Uint8Array(12)))
    const body = { personId, invitationId: uuid(), code }
    if (await write('let-in-again', body, { done: `A code for ${name} is made` }))
      setMade({ name, code, days: 'one day' })
  }
  const become = (next: StaffRole) =>
    write(
      'change-role',
      { personId, role: next },
      {
        done: `${name} is ${named(next)} now`,
        undo: () => void write('change-role', { personId, role }, { done: `${name} is ${named(role)} again` }),
      },
    )
  const end = async () => {
    if (await write('end-person', { personId }, { done: `${name} comes in no more` })) setEnding(false)
  }
  return (
    <li className="seam flex flex-col gap-2 py-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <span className="min-w-0 flex-1 basis-48">
          <strong>{name}</strong>
          {left ? `, ${named(role)} until ${left}` : `, ${named(role)}${self ? ', you' : ''}`}
          <span className="block text-sm">{email}</span>
        </span>
        {!left && (
          <div className="w-36">
            <Select
              look="unseen"
              label={`Role of ${name}`}
              options={STAFF_ROLES.map((each) => [each, named(each)])}
              value={role}
              disabled={busy}
              set={(next) => void become(next)}
            />
          </div>
        )}
        <button type="button" className="btn btn-outline" disabled={busy} onClick={() => void letIn()}>
          {left ? `Let ${name} in again` : 'New password'}
        </button>
        {!left && (
          <button type="button" className="btn btn-ghost" disabled={busy} onClick={() => setEnding(!ending)}>
            Leaves …
          </button>
        )}
      </div>
      {ending && (
        <div className="border-l-4 border-base-300 pl-4">
          <p>
            {name} is signed out everywhere at once and comes in no more. Every book keeps what they wrote, under their
            name. You can let them in again.
          </p>
          <button type="button" className="btn btn-primary mt-2" disabled={busy} onClick={() => void end()}>
            {name} leaves now
          </button>
        </div>
      )}
      {made && <CodeShown made={made} mails={mails} />}
      <FaultNote fault={fault} />
    </li>
  )
}
