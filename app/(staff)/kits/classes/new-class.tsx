'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { useFormId } from '@/ui/parts/use-form-id'

export function NewClass() {
  const { idOf, renew } = useFormId()
  const form = useCommandForm('open-course', {
    start: { name: '' },
    body: ({ name }) => ({ courseId: idOf('class'), name }),
    words: ({ name }) => ({ done: `${name} is open` }),
    landed: () => {
      renew()
      form.reset()
    },
  })
  return (
    <CommandForm form={form} className="sheet flex flex-col gap-4 self-start p-5" button="Open the class">
      <h2 className="text-xl font-bold">Another class</h2>
      <Text label="Name of the class" most={80} {...form.field('name')} hint="It gets a code of its own." />
    </CommandForm>
  )
}
