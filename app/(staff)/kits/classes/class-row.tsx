'use client'

import { Download } from 'lucide-react'
import { useState } from 'react'
import type { ClassSettings } from '@/core/room/class-settings'
import { Tick } from '@/ui/fields/choice'
import { CommandForm, useCommandForm } from '@/ui/fields/command-form'
import { Text } from '@/ui/fields/text'
import { FaultNote } from '@/ui/parts/fault-note'
import { PutAway } from '@/ui/parts/put-away'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'
import { ClassRules } from './class-rules'

export interface ClassRowShown {
  readonly courseId: string
  readonly name: string
  readonly code: string
  readonly words: string
  readonly learners: readonly { readonly enrolmentId: string; readonly name: string }[]
  readonly settings: ClassSettings
  /** the day on which it was closed */
  readonly closed?: string
}

type Doing = 'rename' | 'rules' | 'copy' | 'learners'

/** One class: its code for the board, and what can be done with it. */
export function ClassRow({ course, mayChange }: { course: ClassRowShown; mayChange: boolean }) {
  const { courseId, name, code, words, closed } = course
  const [doing, setDoing] = useState<Doing>()
  const { busy, fault, write } = useWrite()
  const turn = (next: Doing) => setDoing(doing === next ? undefined : next)
  const close = () =>
    void write(
      'close-course',
      { courseId },
      {
        done: `${name} is closed; its books stay, what its learners need of a place is forgotten`,
        undo: () => void write('reopen-course', { courseId }, { done: `${name} is open again` }),
      },
    )
  return (
    <li className="seam flex flex-col gap-2 py-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <strong className="text-lg">{name}</strong>
        {closed ? <span>closed {closed}</span> : <code className="font-mono text-xl font-bold">{code}</code>}
        <span className="w-full text-sm">{words}</span>
      </div>
      <div className="flex flex-wrap items-center gap-1">
        {mayChange && (
          <>
            {closed ? (
              <button
                type="button"
                className="btn btn-outline"
                disabled={busy}
                onClick={() => void write('reopen-course', { courseId }, { done: `${name} is open again` })}
              >
                Open again
              </button>
            ) : (
              <>
                <button type="button" className="btn btn-ghost px-2" onClick={() => turn('rename')}>
                  Rename …
                </button>
                <button
                  type="button"
                  className="btn btn-ghost px-2"
                  disabled={busy}
                  onClick={() =>
                    void write(
                      'change-class-code',
                      { courseId },
                      { done: `${name} has a new code; the old one is dead` },
                    )
                  }
                >
                  New code
                </button>
                <button type="button" className="btn btn-ghost px-2" onClick={() => turn('rules')}>
                  Its own rules …
                </button>
              </>
            )}
            {course.learners.length > 0 && (
              <button type="button" className="btn btn-ghost px-2" onClick={() => turn('learners')}>
                Learners …
              </button>
            )}
            <button type="button" className="btn btn-ghost px-2" onClick={() => turn('copy')}>
              Copy …
            </button>
            {!closed && (
              <button type="button" className="btn btn-ghost px-2" disabled={busy} onClick={close}>
                Close
              </button>
            )}
          </>
        )}
        <span className="ml-auto flex gap-3 text-sm">
          {(['csv', 'json'] as const).map((form) => (
            <a
              key={form}
              className="inline-flex min-h-11 items-center gap-1 underline"
              href={`/api/kits/${courseId}?form=${form}`}
              aria-label={`${name} as ${form.toUpperCase()}`}
            >
              <Download className="size-4" aria-hidden="true" /> {form.toUpperCase()}
            </a>
          ))}
        </span>
      </div>
      <FaultNote fault={fault} />
      {doing === 'rename' && <Rename course={course} done={() => setDoing(undefined)} />}
      {doing === 'rules' && (
        <ClassRules courseId={courseId} name={name} settings={course.settings} done={() => setDoing(undefined)} />
      )}
      {doing === 'learners' && (
        <div className="border-l-4 border-base-300 pl-4">
          <p className="text-sm">
            Who comes no more is put away: out of the plans and the rack, with their bags, and signed out; what they
            need of a place is forgotten. They can be taken out again.
          </p>
          <ul className="mt-1 grid gap-x-6 sm:grid-cols-2">
            {course.learners.map(({ enrolmentId, name: learner }) => (
              <li key={enrolmentId} className="flex items-center justify-between gap-2">
                <bdi className="min-w-0">{learner}</bdi>
                <PutAway what="learner" id={enrolmentId} name={learner} />
              </li>
            ))}
          </ul>
        </div>
      )}
      {doing === 'copy' && <Copy course={course} done={() => setDoing(undefined)} />}
    </li>
  )
}

function Rename({ course: { courseId, name }, done }: { course: ClassRowShown; done: () => void }) {
  const form = useCommandForm('rename-course', {
    start: { name },
    body: (values) => ({ courseId, name: values.name }),
    words: (values) => ({ done: `It is called ${values.name} now` }),
    landed: done,
  })
  return (
    <CommandForm form={form} className="flex flex-col gap-3 border-l-4 border-base-300 pl-4" button="Rename it">
      <Text label={`New name of ${name}`} most={80} {...form.field('name')} />
    </CommandForm>
  )
}

function Copy({ course: { courseId, name }, done }: { course: ClassRowShown; done: () => void }) {
  const { idOf } = useFormId()
  const form = useCommandForm('copy-course', {
    start: { name: `${name} again`, learners: true },
    body: (values) => ({ courseId: idOf('copy'), copyOf: courseId, name: values.name, learners: values.learners }),
    words: (values) => ({ done: `${values.name} is open` }),
    landed: done,
  })
  return (
    <CommandForm form={form} className="flex flex-col gap-3 border-l-4 border-base-300 pl-4" button="Open the copy">
      <Text label="Name of the copy" most={80} {...form.field('name')} />
      <Tick label={`With the learners of ${name}`} hint="They stay the same people." {...form.field('learners')} />
    </CommandForm>
  )
}
