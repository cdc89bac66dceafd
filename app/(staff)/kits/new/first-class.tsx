'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { useFormId } from '@/ui/parts/use-form-id'

/** Projects belong to a class: where there is none, it comes first. */
export function FirstClass() {
  const { idOf, renew } = useFormId('new-class')
  const form = useCommandForm('open-course', {
    start: { name: '' },
    body: ({ name }) => ({ courseId: idOf('class'), name }),
    words: ({ name }) => ({ done: `${name} is open` }),
    landed: renew,
  })
  return (
    <CommandForm form={form} className="mx-auto flex max-w-xl flex-col gap-4" button="Open the class">
      <h1 className="text-3xl font-bold">First, a class</h1>
      <p>
        Projects belong to a class. It gets a code of its own, which stands under Kits: with it and their first name
        learners find their own seat.
      </p>
      <Text label="Name of the class" most={80} {...form.field('name')} />
    </CommandForm>
  )
}
