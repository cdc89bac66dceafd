'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'

/** Somebody’s name as it should be: a learner comes in at the station by it, and finds no door where it was misspelled. */
export function RenamePerson({ personId, name, learner }: { personId: string; name: string; learner?: boolean }) {
  const form = useCommandForm('rename-person', {
    start: { name },
    body: (values) => ({ personId, name: values.name }),
    words: (values) => ({ done: `${values.name} it is, on every page` }),
  })
  return (
    <CommandForm form={form} label={`The name of ${name}`} button="Correct the name">
      <Text
        label={learner ? 'The learner’s name' : 'Name'}
        most={80}
        {...(learner && { hint: 'They come in at the station by it.' })}
        {...form.field('name')}
      />
    </CommandForm>
  )
}
