'use client'

import { STAFF_ROLES, type StaffRole } from '@/core/room/role'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import { useFormId } from '@/ui/parts/use-form-id'

const EMPTY: { name: string; email: string; password: string; role: StaffRole } = {
  name: '',
  email: '',
  password: '',
  role: 'helper',
}
const ROLE_WORDS: Readonly<Record<StaffRole, string>> = {
  coordinator: 'coordinator: everything',
  instructor: 'instructor: all but people and house rules',
  helper: 'helper: needles, checks, swatches, care',
}

export function NewPerson() {
  const { idOf, renew } = useFormId()
  const form = useCommandForm('add-person', {
    start: EMPTY,
    body: (values) => ({ personId: idOf('person'), ...values }),
    words: ({ name }) => ({ done: `${name} can sign in` }),
    landed: () => {
      renew()
      form.reset()
    },
  })
  return (
    <CommandForm form={form} className="sheet flex flex-col gap-4 p-5" button="Add">
      <h2 className="text-xl font-bold">Add somebody</h2>
      <Text label="Name" {...form.field('name')} hint="A first name or nickname is enough." />
      <Text label="Email they sign in with" type="email" {...form.field('email')} />
      <Text label="First password" type="password" {...form.field('password')} hint="At least 10 characters." />
      <Select label="Role" {...form.field('role')} options={STAFF_ROLES.map((role) => [role, ROLE_WORDS[role]])} />
    </CommandForm>
  )
}
