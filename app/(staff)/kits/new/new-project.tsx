'use client'

import type { KitRoom } from '@/core/kit/for-room'
import { sameName } from '@/core/people/same-name'
import { capital } from '@/core/units/words'
import { Choice } from '@/ui/fields/choice'
import { Select } from '@/ui/fields/select'
import { Text } from '@/ui/fields/text'
import type { FabricFacts } from '@/ui/parts/fabric-facts'
import { FabricFields } from '@/ui/parts/fabric-fields'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useKept } from '@/ui/parts/use-kept'
import { useWrite } from '@/ui/parts/use-write'
import { FirstClass } from './first-class'
import { WouldGet, type NewProjectMachine } from './would-get'

interface Draft extends FabricFacts {
  readonly learner: string
  readonly name: string
  readonly courseId: string
  /** of another class: the same person */
  readonly personId?: string | undefined
}

/** A project by hand: who, what, and what the scale and ruler say. */
export function NewProject({
  courses,
  practice = false,
  learners,
  machines,
  room,
}: {
  /** everybody at work in the classes of this venue */
  learners: readonly {
    readonly personId: string
    readonly name: string
    readonly courseId: string
    readonly course: string
  }[]
  machines: readonly NewProjectMachine[]
  room: KitRoom
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

  const courseId = draft.courseId || first.courseId
  const here = learners.filter((each) => each.courseId === courseId)
  // Who has that name in this class already is that learner; of other classes somebody may be the same person.
  const others =
    draft.learner.trim() === '' || sameName(draft.learner, here).length > 0
      ? []
      : sameName(
          draft.learner,
          learners.filter((each) => each.courseId !== courseId),
        )
  const at = (field: string) => (fault?.path === field ? capital(fault.what ?? fault.message) : undefined)
  const add = async () => {
    const { personId, ...facts } = draft
    const known = others.find((each) => each.personId === personId)
    const ids = {
      projectId: idOf('project'),
      personId: known?.personId ?? idOf('person'),
      enrolmentId: idOf('enrolment'),
    }
    const body = { ...ids, ...facts, courseId }
    const landed = await write('add-project', body, {
      done: `${draft.learner}’s bag hangs on the rack`,
      then: `/kits/${ids.projectId}`,
    })
    if (!landed) return
    keep(undefined)
    renew()
  }
  if (courses.length === 0) return <FirstClass />
  return (
    <div className="mx-auto grid max-w-6xl items-start gap-8 lg:grid-cols-[minmax(0,26rem)_1fr]">
      <form
        className="flex flex-col gap-4"
        onSubmit={(submitted) => {
          submitted.preventDefault()
          void add()
        }}
      >
        <h1 className="text-3xl font-bold">Add a project</h1>
        <Select
          label="Class"
          value={courseId}
          set={(chosen) => keep({ ...draft, courseId: chosen })}
          options={courses.map((course) => [course.courseId, course.name])}
        />
        <Text
          label="Learner’s first name"
          most={80}
          value={draft.learner}
          set={(learner) => keep({ ...draft, learner })}
          error={at('learner')}
        />
        {others.length > 0 && (
          <Choice
            label={`Which ${draft.learner.trim()}?`}
            options={[
              ['', 'somebody new'],
              ...[...new Map(others.map((each) => [each.personId, each])).values()].map(
                (each) => [each.personId, `${each.name} of ${each.course}`] as const,
              ),
            ]}
            value={draft.personId ?? ''}
            set={(chosen) => keep({ ...draft, personId: chosen === '' ? undefined : chosen })}
            hint="Somebody of another class stays one person: what they have learnt goes along."
          />
        )}
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
      <WouldGet facts={draft} machines={machines} room={room} />
    </div>
  )
}
