'use client'

import { useState } from 'react'
import { CommandForm, useEntryForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'

export function Forgotten() {
  const [sentTo, setSentTo] = useState<string>()
  const form = useEntryForm('forgotten', {
    start: { email: '' },
    body: (values) => values,
    landed: ({ email }) => setSentTo(email),
  })
  return (
    <>
      <CommandForm form={form} className="sheet flex flex-col gap-4 p-6" button="Send me a link">
        <Text label="Email you sign in with" type="email" autoComplete="username" {...form.field('email')} />
      </CommandForm>
      {sentTo && (
        <p role="status" className="border-l-4 border-success py-1 pl-3">
          If anybody signs in with {sentTo}, a link is on its way there. It works once, for a day.
        </p>
      )}
    </>
  )
}
