'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'

interface Props {
  readonly name: string
  readonly timeZone: string
  readonly zones: readonly string[]
}

export function VenueForm({ name, timeZone, zones }: Props) {
  const form = useCommandForm('change-venue', {
    start: { name, timeZone },
    body: (values) => values,
    words: (values) => ({ done: `${values.name} goes by the clock of ${values.timeZone}` }),
  })
  const known = zones.includes(timeZone) ? zones : [timeZone, ...zones]
  return (
    <CommandForm form={form} className="sheet mt-4 flex flex-col gap-4 p-5" button="Keep it">
      <Text label="Name of the venue" most={80} {...form.field('name')} />
      <Select
        label="Time zone"
        {...form.field('timeZone')}
        hint="Sessions stay at their moment; what changes is the clock they are told by."
        options={known.map((each) => [each, each])}
      />
    </CommandForm>
  )
}
