'use client'

import type { InvitationKind } from '@/core/people/invitation'
import { CommandForm, useEntryForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { signInAs } from '@/ui/sign-in-as'

export function Join({ code, kind }: { code: string; kind: InvitationKind }) {
  const form = useEntryForm('join', {
    start: { email: '', password: '' },
    body: ({ email, password }) => ({ code, password, ...(kind === 'join' && { email }) }),
    landed: ({ email }, { password }) => void signInAs(email, password, '/'),
  })
  return (
    <CommandForm
      form={form}
      className="sheet flex flex-col gap-4 p-6"
      button={kind === 'join' ? 'Come in' : 'Keep this password'}
    >
      {kind === 'join' && (
        <Text label="Email you sign in with" type="email" autoComplete="username" {...form.field('email')} />
      )}
      <Text
        label={kind === 'join' ? 'Password' : 'New password'}
        type="password"
        autoComplete="new-password"
        {...form.field('password')}
        hint="At least 10 characters."
      />
    </CommandForm>
  )
}
