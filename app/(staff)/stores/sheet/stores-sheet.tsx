'use client'

import { Link } from '@/ui/parts/link'
import { useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import type { Fault } from '@/core/schema/invalid'
import { itemWords } from '@/core/stock/item'
import { counted } from '@/core/units/words'
import type { Answered } from '@/core/wire/asks'
import { ask } from '@/ui/ask'
import { BadLines } from '@/ui/parts/bad-lines'
import { FaultNote } from '@/ui/parts/fault-note'
import { send } from '@/ui/write'

type Read = Answered<'read-shelf-sheet'>
/** A shelf of the sheet with the id of its count: tried again it is the same count. */
type Row = Read['good'][number] & { readonly id: string }

/** What lies on the shelves as a sheet: taken along to count by, and brought in as counted. */
export function StoresSheet() {
  const file = useRef<HTMLInputElement>(null)
  const [rows, setRows] = useState<readonly Row[]>([])
  const [bad, setBad] = useState<Read['bad']>([])
  const [fault, setFault] = useState<Fault>()
  const [busy, setBusy] = useState(false)
  const [done, setDone] = useState(0)

  const load = async (chosen: File | undefined) => {
    if (!chosen) return
    setDone(0)
    const read = await ask('read-shelf-sheet', { body: { text: await chosen.text() } })
    setFault(read.ok ? undefined : read.error)
    setRows(read.ok ? read.answer.good.map((row) => ({ ...row, id: uuid() })) : [])
    setBad(read.ok ? read.answer.bad : [])
  }

  /** One by one: what could not be written stays here, and is tried again as the very same count. */
  const countAll = async () => {
    setBusy(true)
    setFault(undefined)
    for (const row of rows) {
      const outcome = await send('count-stock', { item: row.item, count: row.count }, row.id)
      if (!outcome.ok) {
        setFault(outcome.error)
        break
      }
      setDone((before) => before + 1)
      setRows((before) => before.filter(({ id }) => id !== row.id))
    }
    setBusy(false)
  }

  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-6">
      <h1 className="text-3xl font-bold">Stores in and out</h1>
      <section className="sheet p-5">
        <h2 className="text-xl font-bold">Take away</h2>
        <p className="mt-1">
          A line for each shelf, with what it holds by the books: to count by, or for another room.
        </p>
        <a className="btn btn-outline mt-3" href="/api/stores/sheet" download>
          Stores, CSV
        </a>
      </section>
      <section className="sheet p-5">
        <h2 className="text-xl font-bold">Bring in</h2>
        <p className="mt-1">
          The same sheet, or your own: a heading line with <strong>kind</strong> and <strong>count</strong>, and for a
          needle its point and size, for thread its tex, fibre and use, for bobbins their class, for a foot its kind.
          Each line is written as a count of now; shelves that are not in it stay as they are.
        </p>
        <button type="button" className="btn btn-primary mt-3" disabled={busy} onClick={() => file.current?.click()}>
          Choose a file
        </button>
        <input
          ref={file}
          type="file"
          accept=".csv,.tsv,.txt"
          className="sr-only"
          tabIndex={-1}
          aria-label="Sheet of stores"
          onChange={({ target }) => {
            void load(target.files?.[0])
            target.value = ''
          }}
        />
        <FaultNote fault={fault} />
        <div className="mt-4">
          <BadLines bad={bad} />
          {rows.length > 0 && (
            <>
              <ul aria-label="Shelves that were counted">
                {rows.map(({ id, item, count }) => (
                  <li key={id}>
                    <span className="numeral">{count}</span> {itemWords(item)}
                  </li>
                ))}
              </ul>
              <button type="button" className="btn btn-primary mt-3" disabled={busy} onClick={() => void countAll()}>
                {rows.length === 1 ? 'Write this count down' : `Write these ${rows.length} counts down`}
              </button>
            </>
          )}
          <p role="status" className="mt-3">
            {done > 0 && (
              <>
                {counted(done, 'shelf', 'shelves')} counted.{' '}
                <Link className="link" href="/stores">
                  See the stores
                </Link>
              </>
            )}
          </p>
        </div>
      </section>
    </div>
  )
}
