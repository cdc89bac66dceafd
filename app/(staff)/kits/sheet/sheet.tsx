'use client'

import { spaced } from '@/core/units/words'
import { Link } from '@/ui/parts/link'
import { useRef, useState } from 'react'
import type { AlreadyHere } from '@/core/exchange/already-here'
import type { Answered } from '@/core/wire/asks'
import type { Fault } from '@/core/schema/invalid'
import { Select, type Options } from '@/ui/fields/select'
import { FaultNote } from '@/ui/parts/fault-note'
import { useKept } from '@/ui/parts/use-kept'
import { ask } from '@/ui/ask'
import { useWrite } from '@/ui/parts/use-write'
import { fabricWords } from '@/ui/words'
import { type Way, type Ids, makeIds } from './row-ids'

/** What may become of a bag that hangs here already, changed. */
const WAYS = [
  ['keep', 'keep what hangs'],
  ['replace', 'replace it'],
  ['add', 'add one more'],
] as const satisfies Options<Way>

interface Props {
  readonly courses: readonly { readonly courseId: string; readonly name: string }[]
  readonly columns: readonly string[]
  /** whether a class may be read back from its JSON here */
  readonly mayImport: boolean
}

const EXAMPLE = `learner\tproject\tcloth\toperation\tmass_gsm\tseam_layers\tcrossing_layers
Ida\tpencil roll\tduck canvas\tseam\t\t2\t6
Jon\tneck tube\tknit\tknit hem\t185\t2\t4`

/** A class's projects from a spreadsheet, pasted or as a file; or a class read back from its JSON. */
export function Sheet({ courses, columns, mayImport }: Props) {
  const [text, keepText] = useKept<string>('sheet', '')
  const [courseId, setCourseId] = useState(courses[0]!.courseId)
  const [rows, setRows] = useState<Answered<'read-kit-sheet'> & { readonly ids: readonly Ids[] }>()
  /** by line, what becomes of one that hangs here already; the same is kept, a changed one is asked about */
  const [ways, setWays] = useState<Readonly<Record<number, Way>>>({})
  const [reading, setReading] = useState<Fault>()
  const file = useRef<HTMLInputElement>(null)
  const { busy, fault, write } = useWrite()

  const read = async (what: string) => {
    setReading(undefined)
    setRows(undefined)
    setWays({})
    const read = await ask('read-kit-sheet', { body: { text: what, courseId } })
    if (read.ok) setRows({ ...read.answer, ids: read.answer.good.map(makeIds) })
    else setReading(read.error)
  }

  const load = async (chosen: File | undefined) => {
    if (!chosen) return
    const content = await chosen.text()
    if (!chosen.name.endsWith('.json')) {
      keepText(content)
      await read(content)
      return
    }
    let parsed: unknown
    try {
      parsed = JSON.parse(content)
    } catch {
      setReading({ code: 'not-json', message: `${chosen.name} is not JSON`, path: '' })
      return
    }
    await write('import-kits', { file: parsed }, { done: 'The class is read back', then: '/kits' })
  }

  const hang = async () => {
    if (!rows) return
    const projects = rows.good.flatMap(({ line, ...project }, index) => {
      const here = rows.here[index]
      const way = wayOf(line, here)
      if (way === 'keep') return []
      return [{ ...rows.ids[index]!, ...project, ...(way === 'replace' && here && { replaces: here.projectId }) }]
    })
    const bags = projects.length === 1 ? 'One bag hangs' : `${projects.length} bags hang`
    const then = rows.bad.length === 0 ? { then: '/kits' } : {}
    if (
      projects.length > 0 &&
      !(await write('add-projects', { courseId, projects }, { done: `${bags} on the rack`, ...then }))
    )
      return
    // What did not land is still there to be mended, under the same heading.
    const [heading = ''] = text.split(/\r\n|\r|\n/, 1)
    keepText(rows.bad.length > 0 ? [heading, ...rows.bad.map(({ raw }) => raw)].join('\n') : undefined)
    setRows(undefined)
  }

  const wayOf = (line: number, here: AlreadyHere | null | undefined): Way => (here ? (ways[line] ?? 'keep') : 'add')
  const landing = rows ? rows.good.filter(({ line }, index) => wayOf(line, rows.here[index]) !== 'keep').length : 0

  return (
    <div className="mx-auto flex max-w-4xl flex-col gap-4">
      <p>
        <Link className="link" href="/kits">
          Kits
        </Link>
      </p>
      <h1 className="text-3xl font-bold">From a sheet</h1>
      <p>
        Paste rows from a spreadsheet, with the heading line, or open a CSV file. Columns: {columns.join(', ')}. The
        first four are needed; <strong>cloth</strong> is a structure, such as woven, or a cloth by its name, such as
        poplin, whose numbers are then guesses until you measure.
      </p>
      <Select
        label="Class"
        options={courses.map((course) => [course.courseId, course.name])}
        value={courseId}
        set={setCourseId}
      />
      <label className="flex flex-col gap-1">
        <span className="font-bold">Rows</span>
        <textarea
          className="textarea min-h-48 w-full font-mono text-sm"
          value={text}
          placeholder={EXAMPLE}
          onChange={({ target }) => {
            keepText(target.value)
            setRows(undefined)
          }}
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary btn-lg"
          disabled={busy || text.trim() === ''}
          onClick={() => void read(text)}
        >
          Read it
        </button>
        <button type="button" className="btn btn-outline btn-lg" onClick={() => file.current?.click()}>
          Open a CSV {mayImport ? 'or JSON ' : ''}file
        </button>
        <input
          ref={file}
          type="file"
          accept={mayImport ? '.csv,.tsv,.txt,.json' : '.csv,.tsv,.txt'}
          className="sr-only"
          aria-label={mayImport ? 'A CSV or JSON file' : 'A CSV file'}
          tabIndex={-1}
          onChange={({ target }) => {
            void load(target.files?.[0])
            target.value = ''
          }}
        />
      </div>
      <FaultNote fault={reading ?? fault} />
      {rows && (
        <section aria-label="What was read" className="flex flex-col gap-4">
          {rows.bad.length > 0 && (
            <div className="sheet border-warning p-4">
              <h2 className="text-xl font-bold">
                {rows.bad.length} {rows.bad.length === 1 ? 'line needs' : 'lines need'} mending
              </h2>
              <ul className="mt-2">
                {rows.bad.map(({ line, column, because, cells }) => (
                  <li key={line} className="border-t border-dashed border-base-content/40 py-2">
                    <strong>Line {line}</strong>, {column}: {because}
                    <span className="block font-mono text-sm opacity-80">{cells.join(' · ')}</span>
                  </li>
                ))}
              </ul>
            </div>
          )}
          {rows.good.length > 0 && (
            <>
              <table className="table">
                <thead>
                  <tr>
                    <th>Line</th>
                    <th>Learner</th>
                    <th>Project</th>
                    <th>Cloth</th>
                    <th>Done</th>
                    <th>Layers</th>
                    <th>On the rack</th>
                  </tr>
                </thead>
                <tbody>
                  {rows.good.map(({ line, learner, name, fabric, operation, layers }, index) => (
                    <tr key={line}>
                      <td>{line}</td>
                      <td className="font-bold">{learner}</td>
                      <td>{name}</td>
                      <td>{fabricWords(fabric)}</td>
                      <td>{spaced(operation)}</td>
                      <td>
                        {layers.seam}, {layers.crossing} at the crossing
                      </td>
                      <td>
                        {rows.here[index] ? (
                          <div className="flex w-36 flex-col gap-1">
                            <span className="text-sm">
                              already here: {rows.here[index].same ? 'the same' : <strong>changed</strong>}
                            </span>
                            <Select
                              look="unseen"
                              label={`What becomes of ${learner}: ${name}`}
                              options={WAYS}
                              value={wayOf(line, rows.here[index])}
                              set={(way) => setWays({ ...ways, [line]: way })}
                            />
                          </div>
                        ) : (
                          'new'
                        )}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <button
                type="button"
                className="btn btn-primary btn-lg self-start"
                disabled={busy || landing === 0}
                onClick={() => void hang()}
              >
                {landing === 0 ? 'Everything hangs already' : `Hang ${landing} ${landing === 1 ? 'bag' : 'bags'}`}
              </button>
            </>
          )}
        </section>
      )}
    </div>
  )
}
