'use client'

import { useState } from 'react'
import { DRILLS } from '@/core/knowledge/tension/drill'
import { PASS } from '@/core/trainer/pass'
import { useWrite } from '@/ui/parts/use-write'
import { Swatches } from './swatches'
import { DrillRun } from './drill-run'

const SWATCHES = 'swatches'

/** See, read, predict, turn, stitch, explain; and short drills. No clock runs, and anything can be done again. */
export function Trainer({ best, signedOff }: { best: Readonly<Record<string, number>>; signedOff: boolean }) {
  const [open, setOpen] = useState<string>()
  const [done, setDone] = useState(best)
  const { write } = useWrite()
  const finish = (exercise: string, right: number, of: number) => {
    setDone({ ...done, [exercise]: Math.max(done[exercise] ?? 0, right / of) })
    setOpen(undefined)
    void write(
      'log-progress',
      { exercise, right, of },
      { done: right / of >= PASS ? `${right} of ${of}: well done` : `${right} of ${of}. Once more, whenever you like` },
    )
  }
  if (open === SWATCHES) return <Swatches finish={(right, of) => finish(SWATCHES, right, of)} />
  const drill = DRILLS.find(({ id }) => id === open)
  if (drill) return <DrillRun drill={drill} finish={(right, of) => finish(drill.id, right, of)} />

  const exercises = [{ id: SWATCHES, title: 'Swatches: see, read, put right' }, ...DRILLS]
  const passed = exercises.filter(({ id }) => (done[id] ?? 0) >= PASS).length
  return (
    <>
      <h1 className="text-3xl font-bold">Trainer</h1>
      <p className="mt-1 text-lg">
        <span className="numeral text-2xl">{passed}</span> of {exercises.length} done.{' '}
        {passed === exercises.length
          ? signedOff
            ? 'And somebody has signed you off. Help the next one.'
            : 'Now show it to your instructor at a machine.'
          : 'There is no clock. Take them in any order.'}
      </p>
      <ul className="mt-4 grid gap-3 sm:grid-cols-2">
        {exercises.map(({ id, title }) => {
          const share = done[id]
          return (
            <li key={id}>
              <button
                type="button"
                className="sheet flex h-full w-full items-center justify-between gap-4 p-5 text-left hover:bg-base-200"
                onClick={() => setOpen(id)}
              >
                <span className="text-xl font-bold">{title}</span>
                <span className="text-right text-sm">
                  {share === undefined ? 'not yet' : share >= PASS ? '✓ done' : 'begun'}
                  {share !== undefined && <span className="block">best {Math.round(share * 100)} in 100</span>}
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </>
  )
}
