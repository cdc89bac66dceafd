'use client'

import { useRef, useState } from 'react'
import { v7 as uuid } from 'uuid'
import { freePlace } from '@/core/room/free-place'
import { TABLE, type Place } from '@/core/room/table'
import type { Answered } from '@/core/wire/asks'
import type { Fault } from '@/core/schema/invalid'
import { BadLines } from '@/ui/parts/bad-lines'
import { FaultNote } from '@/ui/parts/fault-note'
import { ask } from '@/ui/ask'
import { useWrite } from '@/ui/parts/use-write'
import { send } from '@/ui/write'

/** Machines and their books, to take away and to bring in. */
export function Exchange({ taken }: { taken: readonly Place[] }) {
  const file = useRef<HTMLInputElement>(null)
  const [rows, setRows] = useState<Answered<'read-machine-sheet'> & { readonly ids: readonly string[] }>()
  const [reading, setReading] = useState<Fault>()
  const [landed, setLanded] = useState<readonly string[]>([])
  const { busy, fault, write } = useWrite()

  const load = async (chosen: File | undefined) => {
    if (!chosen) return
    setReading(undefined)
    setRows(undefined)
    const text = await chosen.text()
    if (!chosen.name.endsWith('.json')) {
      const read = await ask('read-machine-sheet', { body: { text } })
      if (read.ok) setRows({ ...read.answer, ids: read.answer.good.map(() => uuid()) })
      else setReading(read.error)
      return
    }
    try {
      const parsed: unknown = JSON.parse(text)
      await write('import-machines', { file: parsed }, { done: 'The machines and their books are here', then: '/room' })
    } catch {
      setReading({ code: 'not-json', message: `${chosen.name} is not JSON`, path: '' })
    }
  }

  /** One by one, so that one name that is taken costs no other machine. */
  const addAll = async () => {
    if (!rows) return
    const places = [...taken]
    for (const [index, row] of rows.good.entries()) {
      const place = row.place ?? freePlace(places.map((each) => ({ place: each, size: TABLE })))
      places.push(place)
      const { name, number, notes, traits } = row
      const body = { machineId: rows.ids[index]!, name, number, notes, place, traits, source: 'manual' as const }
      const outcome = await send('add-machine', body, rows.ids[index])
      setLanded((before) => [
        ...before,
        outcome.ok ? `${name} stands in the room` : `Line ${row.line}, ${name}: ${outcome.error.message}`,
      ])
    }
    // What could not be read stays on the page, to be mended in the file.
    setRows(rows.bad.length > 0 ? { ...rows, good: [], ids: [] } : undefined)
  }

  return (
    <div className="mx-auto flex max-w-3xl flex-col gap-6">
      <h1 className="text-3xl font-bold">Machines in and out</h1>
      <section className="sheet p-5">
        <h2 className="text-xl font-bold">Take away</h2>
        <p className="mt-1">The JSON file holds every machine, trait and line, and comes back without loss.</p>
        <div className="mt-3 flex flex-wrap gap-2">
          <a className="btn btn-outline" href="/api/machines?form=json" download>
            Machines and books, JSON
          </a>
          <a className="btn btn-outline" href="/api/machines?form=csv" download>
            Machines, CSV
          </a>
          <a className="btn btn-outline" href="/api/machines?form=book" download>
            All books, CSV
          </a>
        </div>
      </section>
      <section className="sheet p-5">
        <h2 className="text-xl font-bold">Bring in</h2>
        <p className="mt-1">
          A JSON file from here or another room, or a CSV file of machines with a heading line: name and number, and a
          column for each trait that is known.
        </p>
        <button type="button" className="btn btn-primary mt-3" disabled={busy} onClick={() => file.current?.click()}>
          Choose a file
        </button>
        <input
          ref={file}
          type="file"
          accept=".json,.csv,.tsv,.txt"
          className="sr-only"
          tabIndex={-1}
          aria-label="File of machines"
          onChange={({ target }) => {
            void load(target.files?.[0])
            target.value = ''
          }}
        />
        <FaultNote fault={reading ?? fault} />
        {rows && (
          <div className="mt-4">
            <BadLines bad={rows.bad} />
            <ul aria-label="Lines that can be read">
              {rows.good.map((row) => (
                <li key={row.line}>
                  <strong>{row.name}</strong>, no. {row.number}: {Object.keys(row.traits).length} traits
                </li>
              ))}
            </ul>
            {rows.good.length > 0 && (
              <button type="button" className="btn btn-primary mt-3" onClick={() => void addAll()}>
                {rows.good.length === 1 ? 'Put it in the room' : `Put ${rows.good.length} in the room`}
              </button>
            )}
          </div>
        )}
        {landed.length > 0 && (
          <ul role="status" className="mt-3">
            {landed.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        )}
      </section>
    </div>
  )
}
