'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { PutAway } from '@/ui/parts/put-away'

/** What the bag is called, and the way off the rack. */
export function WholeBag({ projectId, learner, name }: { projectId: string; learner: string; name: string }) {
  const form = useCommandForm('rename-project', {
    start: { name },
    body: (values) => ({ projectId, name: values.name, was: name }),
    words: (values) => ({ done: `It is called ${values.name} now` }),
  })
  return (
    <details className="mt-8">
      <summary className="min-h-11 cursor-pointer py-2 text-lg font-bold">Its name, or put it away</summary>
      <div className="mt-2 flex max-w-xl flex-col gap-4">
        <CommandForm form={form} label="What it is called" button="Rename it">
          <Text label="What is made" most={80} {...form.field('name')} />
        </CommandForm>
        <p>
          Finished, or given up? Then it hangs on no rack and is in no plan; its kits stay in the books.{' '}
          <PutAway what="project" id={projectId} name={`${learner}’s ${name}`} words="Put this bag away" then="/kits" />
        </p>
      </div>
    </details>
  )
}
