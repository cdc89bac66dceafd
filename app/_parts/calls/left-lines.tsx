'use client'

import { Inbox } from 'lucide-react'
import { Link } from '@/ui/parts/link'
import { useWrite } from '@/ui/parts/use-write'
import type { ShownLeft } from '@/core/wire/asks'

/** Lines that learners wrote without a network and that were not taken when they came: staff know what was, and say so. */
export function LeftLines({ left }: { left: readonly ShownLeft[] }) {
  if (left.length === 0) return null
  return (
    <ul className="mx-auto max-w-7xl px-4 pt-2" aria-label="Lines that wait for you">
      {left.map((line) => (
        <LeftLine key={line.lineId} line={line} />
      ))}
    </ul>
  )
}

function LeftLine({ line }: { line: ShownLeft }) {
  const { busy, write } = useWrite()
  return (
    <li className="mb-2 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-8 border-l-warning bg-base-200 px-4 py-2">
      <Inbox className="size-7" aria-hidden="true" />
      <div className="min-w-48 flex-1">
        <p className="leading-tight">
          <strong>{line.who}</strong> wrote at {line.at}, without a network, of{' '}
          <Link className="link" href={`/machines/${line.machineId}`}>
            {line.where}
          </Link>
          : <strong>{line.words}</strong>
        </p>
        <p className="text-sm">It is not in the book: {line.because}.</p>
      </div>
      <span className="flex gap-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={busy}
          aria-label={`It was so: ${line.words}, ${line.who}`}
          onClick={() =>
            void write(
              'decide-left-line',
              { lineId: line.lineId, take: true },
              { done: `It is in the book of ${line.where}` },
            )
          }
        >
          It was so
        </button>
        <button
          type="button"
          className="btn btn-outline"
          disabled={busy}
          aria-label={`Leave it out: ${line.words}, ${line.who}`}
          onClick={() =>
            void write('decide-left-line', { lineId: line.lineId, take: false }, { done: 'It is left out' })
          }
        >
          Leave it out
        </button>
      </span>
    </li>
  )
}
