'use client'

import { capital } from '@/core/units/words'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import type { FabricFacts } from '@/ui/parts/fabric-facts'
import { FabricFields } from '@/ui/parts/fabric-fields'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'

interface Draft extends FabricFacts {
  readonly learner: string
  readonly name: string
  readonly courseId: string
}

/** A project by hand: who, what, and what the scale and ruler say. */
export function NewProject({
  courses,
  practice = false,
}: {
  courses: readonly { readonly courseId: string; readonly name: string }[]
  /** a demo or training venue */
  practice?: boolean
}) {
  const first: Draft = {
    learner: '',
    name: '',
    courseId: courses[0]?.courseId ?? '',
    fabric: { structure: 'woven', massGsm: 150, traits: [], guessed: ['massGsm'] },
    layers: { seam: 2, crossing: 4 },
    operation: 'seam',
  }
  const [draft, keep] = useKept<Draft>('new-project', first)
  const { idOf, renew } = useFormId('new-project')
  const { busy, fault, write } = useWrite()

  const at = (field: string) => (fault?.path === field ? capital(fault.what ?? fault.message) : undefined)
  const add = async () => {
    const ids = { projectId: idOf('project'), personId: idOf('person'), enrolmentId: idOf('enrolment') }
    const body = { ...ids, ...draft, courseId: draft.courseId || first.courseId }
    const landed = await write('add-project', body, {
      done: `${draft.learner}’s bag hangs on the rack`,
      then: `/kits/${ids.projectId}`,
    })
    if (!landed) return
    keep(undefined)
    renew()
  }
  if (courses.length === 0) return <NewCourse />
  return (
    <form
      className="mx-auto flex max-w-xl flex-col gap-4"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void add()
      }}
    >
      <h1 className="text-3xl font-bold">Add a project</h1>
      <Select
        label="Class"
        value={draft.courseId || first.courseId}
        set={(courseId) => keep({ ...draft, courseId })}
        options={courses.map(({ courseId, name }) => [courseId, name])}
      />
      <Text
        label="Learner’s first name"
        most={80}
        value={draft.learner}
        set={(learner) => keep({ ...draft, learner })}
        error={at('learner')}
      />
      <Text
        label="What is made"
        most={80}
        value={draft.name}
        set={(name) => keep({ ...draft, name })}
        error={at('name')}
      />
      <FabricFields practice={practice} facts={draft} change={(facts) => keep({ ...draft, ...facts })} />
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Hang the bag
      </button>
    </form>
  )
}

function NewCourse() {
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
