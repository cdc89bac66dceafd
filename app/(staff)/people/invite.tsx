'use client'

import { useState } from 'react'
import { codeFrom } from '@/core/people/invitation'
import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import { CodeShown, type MadeCode } from './code-shown'

const ROLE_WORDS: Readonly<Record<StaffRole, string>> = {
  coordinator: 'coordinator: everything',
  instructor: 'instructor: all but people and house rules',
  helper: 'helper: needles, checks, swatches, care',
}
const START: { name: string; role: StaffRole } = { name: '', role: 'helper' }
const newCode = () => codeFrom(crypto.getRandomValues(new Uint8Array(12)))

/** Somebody new is invited by name; they choose their own address and password. */
export function Invite({ mails }: { mails: boolean }) {
  // Sent again after a fault, it is the same code.
  const [code, setCode] = useState(newCode)
  const [made, setMade] = useState<MadeCode>()
  const { idOf, renew } = useFormId()
  const form = useCommandForm('invite-person', {
    start: START,
    body: ({ name, role }) => ({ personId: idOf('person'), invitationId: idOf('invitation'), name, role, code }),
    words: ({ name }) => ({ done: `${name} is invited` }),
    landed: ({ name }) => {
      setMade({ name, code, days: 'two weeks' })
      setCode(newCode())
      renew()
      form.reset()
    },
  })
  return (
    <section className="flex flex-col gap-4">
      <CommandForm form={form} className="sheet flex flex-col gap-4 p-5" button="Invite">
        <h2 className="text-xl font-bold">Invite somebody</h2>
        <Text label="Name" most={80} {...form.field('name')} hint="A first name or nickname is enough." />
        <Select label="Role" {...form.field('role')} options={STAFF_ROLES.map((role) => [role, ROLE_WORDS[role]])} />
      </CommandForm>
      {made && <CodeShown made={made} mails={mails} />}
    </section>
  )
}

export interface InvitationShown {
  readonly invitationId: string
  readonly name: string
  readonly words: string
}

/** Codes that would still let somebody in. */
export function OpenInvitations({ invitations }: { invitations: readonly InvitationShown[] }) {
  const { busy, write } = useWrite()
  if (invitations.length === 0) return null
  return (
    <section aria-labelledby="invitations">
      <h2 id="invitations" className="text-xl font-bold">
        Codes not used yet
      </h2>
      <ul>
        {invitations.map(({ invitationId, name, words }) => (
          <li key={invitationId} className="seam flex flex-wrap items-center justify-between gap-2 py-2">
            <span>
              <strong>{name}</strong>
              <span className="block text-sm">{words}</span>
            </span>
            <button
              type="button"
              className="btn btn-ghost"
              disabled={busy}
              aria-label={`End the code for ${name}`}
              onClick={() =>
                void write('end-invitation', { invitationId }, { done: `${name}’s code opens nothing any more` })
              }
            >
              End it
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
