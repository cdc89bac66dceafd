'use client'

import { Download } from 'lucide-react'
import { useState } from 'react'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'
import { RenamePerson } from '../../../_parts/rename-person'

interface Person {
  readonly personId: string
  readonly name: string
  /** "in Camp Kit", "instructor" */
  readonly words: string
  /** staff who can still come in */
  readonly inForce: boolean
}

/** One person: the file to hand over, the name as it should be, and the way out for good. */
export function KeptRow({ person: { personId, name, words, inForce } }: { person: Person }) {
  const [asked, setAsked] = useState<'name' | 'erase'>()
  const { busy, fault, write } = useWrite()
  return (
    <li className="seam py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="min-w-0 flex-1 basis-48">
          <strong>{name}</strong>
          <span className="block text-sm">{words}</span>
        </span>
        <a
          className="btn btn-outline"
          href={`/api/people/${personId}`}
          download
          aria-label={`Everything about ${name}, as a file`}
        >
          <Download className="size-4" aria-hidden="true" /> The file
        </a>
        <button
          type="button"
          className="btn btn-ghost"
          aria-label={`Correct the name of ${name} …`}
          aria-expanded={asked === 'name'}
          onClick={() => setAsked(asked === 'name' ? undefined : 'name')}
        >
          Name …
        </button>
        <button
          type="button"
          className="btn btn-ghost"
          aria-label={`Erase ${name} …`}
          aria-expanded={asked === 'erase'}
          disabled={busy}
          onClick={() => setAsked(asked === 'erase' ? undefined : 'erase')}
        >
          Erase …
        </button>
      </div>
      {asked === 'name' && (
        <div className="mt-2 max-w-xl border-l-4 border-base-300 pl-4">
          <RenamePerson personId={personId} name={name} />
        </div>
      )}
      {asked === 'erase' && (
        <div className="mt-2 border-l-4 border-error pl-4">
          {inForce ? (
            <p>{name} is staff still: let them leave first, under People.</p>
          ) : (
            <>
              <p>
                The name {name} goes from every page, book, plan and list, with all that they wrote in their own words.
                Nobody can bring it back.
              </p>
              <button
                type="button"
                className="btn btn-error mt-2"
                disabled={busy}
                onClick={() =>
                  void write('erase-person', { personId }, { done: 'Nobody of that name is kept any more' })
                }
              >
                Erase {name} for good
              </button>
            </>
          )}
          <FaultNote fault={fault} />
        </div>
      )}
    </li>
  )
}
