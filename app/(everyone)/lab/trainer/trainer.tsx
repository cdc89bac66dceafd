'use client'

import { useEffect, useRef, useState } from 'react'
import { PASS, SEEN_WORDS, type Answered } from '@/core/knowledge/tension/answer'
import { confusionsOf } from '@/core/trainer/confusion'
import { EXERCISES, isDueAgain, isPassed, nextExercise, type Exercise } from '@/core/trainer/exercises'
import type { ExerciseProgress } from '@/core/people/progress'
import { useWrite } from '@/ui/parts/use-write'
import type { Done } from './done'
import { DrillRun } from './drill-run'
import { ExerciseList } from './exercise-list'
import { Swatches } from './swatches'
import { TaskRun } from './task-run'

export type Tried = Readonly<Record<string, Pick<ExerciseProgress, 'best' | 'againAt'>>>

/** See, read, predict, turn, stitch, explain; and short drills. No clock runs, and anything can be done again. */
export function Trainer({
  tried,
  answers,
  signedOff,
  now,
  timeZone,
}: {
  tried: Tried
  /** what they took for what so far */
  answers: readonly Answered[]
  signedOff: boolean
  now: string
  timeZone: string
}) {
  const [open, setOpen] = useState<Exercise>()
  const [done, setDone] = useState(tried)
  const [known, setKnown] = useState(answers)
  const { write } = useWrite()
  const finish = (exercise: Exercise) => (result: Done) => {
    const { right, of } = result
    const share = right / of
    // The book reckons the next date; until it is read again, what was due and is done well has none.
    const before = done[exercise.id]
    const againAt = share >= PASS && isDueAgain(before, now) ? undefined : before?.againAt
    setDone({
      ...done,
      [exercise.id]: { best: Math.max(before?.best ?? 0, share), ...(againAt && { againAt }) },
    })
    setKnown([...known, ...(result.answers ?? [])])
    setOpen(undefined)
    void write(
      'log-progress',
      { exercise: exercise.id, right, of, ...(result.answers?.length && { answers: [...result.answers] }) },
      { done: share >= PASS ? `${right} of ${of}: well done` : `${right} of ${of}. Once more, whenever you like` },
    )
  }
  const top = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (!open) return
    window.scrollTo(0, 0)
    top.current?.focus({ preventScroll: true })
  }, [open])
  if (open) {
    return (
      <div ref={top} tabIndex={-1} className="outline-none">
        <button type="button" className="btn btn-ghost -mt-2 float-right" onClick={() => setOpen(undefined)}>
          All exercises
        </button>
        {open.does === 'swatches' && <Swatches finish={finish(open)} />}
        {open.does === 'drill' && <DrillRun drill={open.drill} finish={finish(open)} />}
        {open.does === 'tasks' && <TaskRun exercise={open} known={known} finish={finish(open)} />}
      </div>
    )
  }

  const passed = EXERCISES.filter(({ id }) => isPassed(done[id])).length
  const next = nextExercise(done, now)
  const [mixed] = confusionsOf(known)
  return (
    <>
      <h1 className="text-3xl font-bold">Trainer</h1>
      <p className="mt-1 text-lg">
        <span className="numeral text-2xl">{passed}</span> of {EXERCISES.length} done.{' '}
        {passed < EXERCISES.length
          ? 'There is no clock. Take them in any order.'
          : signedOff
            ? 'And somebody has signed you off. Help the next one.'
            : 'Now show it to your instructor at a machine.'}
      </p>
      {mixed && (
        <p className="mt-1">
          Worth another look: {SEEN_WORDS[mixed.shown]}, beside {SEEN_WORDS[mixed.said]}. You will see more of both.
        </p>
      )}
      <ExerciseList tried={done} next={next} now={now} timeZone={timeZone} open={setOpen} />
    </>
  )
}
