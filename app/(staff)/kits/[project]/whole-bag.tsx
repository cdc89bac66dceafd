'use client'

import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { PutAway } from '@/ui/parts/put-away'
import { RenamePerson } from '../../../_parts/rename-person'

/** What the bag is called and whose it is, and the way off the rack. */
export function WholeBag({
  projectId,
  personId,
  learner,
  name,
}: {
  projectId: string
  personId: string
  learner: string
  name: string
}) {
  const form = useCommandForm('rename-project', {
    start: { name },
    body: (values) => ({ projectId, name: values.name, was: name }),
    words: (values) => ({ done: `It is called ${values.name} now` }),
  })
  return (
    <details className="mt-8">
      <summary className="min-h-11 cursor-pointer py-2 text-lg font-bold">
        Its name and whose it is, or put it away
      </summary>
      <div className="mt-2 flex max-w-xl flex-col gap-4">
        <CommandForm form={form} label="What it is called" button="Rename it">
          <Text label="What is made" most={80} {...form.field('name')} />
        </CommandForm>
        <RenamePerson personId={personId} name={learner} learner />
        <p>
          Finished, or given up? Then it hangs on no rack and is in no plan; its kits stay in the books.{' '}
          <PutAway what="project" id={projectId} name={`${learner}’s ${name}`} words="Put this bag away" then="/kits" />
        </p>
      </div>
    </details>
  )
}
