'use client'

import { useState } from 'react'
import type { Pair } from '@/store/session/sessions'
import { Select, type Options } from '@/ui/fields/select'
import { FaultNote } from '@/ui/parts/fault-note'
import { useFormId } from '@/ui/parts/use-form-id'
import { useWrite } from '@/ui/parts/use-write'

interface Person {
  readonly personId: string
  readonly name: string
}
const KIND_WORDS = { together: 'sit in the same block', apart: 'never sit in the same block' } as const

/** Who sits with whom, and who does not; it holds until somebody ends it. */
export function Pairs({
  people,
  pairs,
  mayPair,
}: {
  people: readonly Person[]
  pairs: readonly Pair[]
  mayPair: boolean
}) {
  const [one, setOne] = useState('')
  const [other, setOther] = useState('')
  const [kind, setKind] = useState<Pair['kind']>('together')
  const { busy, fault, write } = useWrite()
  const { idOf, renew } = useFormId()
  const nameOf = (id: string) => people.find(({ personId }) => personId === id)?.name ?? 'somebody'
  const pick: Options = [['', 'choose'], ...people.map(({ personId, name }) => [personId, name] as const)]
  return (
    <section aria-labelledby="pairs">
      <h2 id="pairs" className="text-xl font-bold">
        Together and apart
      </h2>
      <ul>
        {pairs.map(({ pairId, kind: each, people: [a, b] }) => (
          <li key={pairId} className="seam flex items-center gap-4 py-2">
            <span className="grow">
              <strong>
                {nameOf(a)} and {nameOf(b)}
              </strong>{' '}
              {KIND_WORDS[each]}
            </span>
            {mayPair && (
              <button
                type="button"
                className="btn btn-ghost"
                disabled={busy}
                aria-label={`End the pair ${nameOf(a)} and ${nameOf(b)}`}
                onClick={() => void write('end-pair', { pairId }, { done: 'The pair is free again' })}
              >
                End it
              </button>
            )}
          </li>
        ))}
      </ul>
      {pairs.length === 0 && <p className="mt-1">Nobody has to sit with or apart from anybody.</p>}
      {mayPair && (
        <form
          aria-label="A new pair"
          className="mt-4 flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault()
            void write(
              'pair-people',
              { pairId: idOf(`${kind} ${one} ${other}`), kind, people: [one, other] },
              { done: `${nameOf(one)} and ${nameOf(other)} ${KIND_WORDS[kind]}` },
            ).then((landed) => {
              if (!landed) return
              renew()
              setOne('')
              setOther('')
            })
          }}
        >
          <Select label="Who" look="small" value={one} set={setOne} options={pick} />
          <Select label="and who" look="small" value={other} set={setOther} options={pick} />
          <Select
            label="do what"
            look="small"
            value={kind}
            set={setKind}
            options={[
              ['together', KIND_WORDS.together],
              ['apart', KIND_WORDS.apart],
            ]}
          />
          <button type="submit" className="btn" disabled={busy || !one || !other}>
            Keep it
          </button>
        </form>
      )}
      <FaultNote fault={fault} />
    </section>
  )
}
