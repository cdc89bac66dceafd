'use client'

import { useState } from 'react'
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
      <label className="flex flex-col gap-1">
        <span className="font-bold">Class</span>
        <select
          className="select w-full"
          value={draft.courseId || first.courseId}
          onChange={({ target }) => keep({ ...draft, courseId: target.value })}
        >
          {courses.map(({ courseId, name }) => (
            <option key={courseId} value={courseId}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className="flex flex-col gap-1">
        <span className="font-bold">Learner’s first name</span>
        <input
          className="input w-full"
          required
          maxLength={80}
          value={draft.learner}
          onChange={({ target }) => keep({ ...draft, learner: target.value })}
        />
      </label>
      <label className="flex flex-col gap-1">
        <span className="font-bold">What is made</span>
        <input
          className="input w-full"
          required
          maxLength={80}
          value={draft.name}
          onChange={({ target }) => keep({ ...draft, name: target.value })}
        />
      </label>
      <FabricFields practice={practice} facts={draft} change={(facts) => keep({ ...draft, ...facts })} />
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Hang the bag
      </button>
    </form>
  )
}

function NewCourse() {
  const [name, setName] = useState('')
  const { idOf, renew } = useFormId('new-class')
  const { busy, fault, write } = useWrite()
  return (
    <form
      className="mx-auto flex max-w-xl flex-col gap-4"
      onSubmit={(submitted) => {
        submitted.preventDefault()
        void write('open-course', { courseId: idOf('class'), name }, { done: `${name} is open` }).then(
          (landed) => landed && renew(),
        )
      }}
    >
      <h1 className="text-3xl font-bold">First, a class</h1>
      <p>
        Projects belong to a class. It gets a code of its own, which stands under Kits: with it and their first name
        learners find their own seat.
      </p>
      <label className="flex flex-col gap-1">
        <span className="font-bold">Name of the class</span>
        <input
          className="input w-full"
          required
          maxLength={80}
          value={name}
          onChange={({ target }) => setName(target.value)}
        />
      </label>
      <FaultNote fault={fault} />
      <button type="submit" className="btn btn-primary btn-lg self-start" disabled={busy}>
        Open the class
      </button>
    </form>
  )
}
