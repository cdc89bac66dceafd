'use client'

import { useState } from 'react'
import { answerWords, CHANGES, VERDICTS, type Answer, type Answered } from '@/core/knowledge/tension/answer'
import type { Exercise } from '@/core/trainer/exercises'
import { answerTask, newTask, taskBecause, type Said, type Task } from '@/core/trainer/task'
import { DiagramSwitch } from '@/ui/picture/sewn-picture'
import type { Done } from './done'
import { Question } from './question'
import { SortTask } from './sort-task'
import { TwoFaces } from './two-faces'

type Tasks = Extract<Exercise, { does: 'tasks' }>

/** So many tasks of one kind, one after the other: look, say, and read why. */
export function TaskRun({
  exercise,
  known,
  finish,
}: {
  exercise: Tasks
  /** what they answered before, which decides what they are shown */
  known: readonly Answered[]
  finish: (done: Done) => void
}) {
  const [answers, setAnswers] = useState<readonly Answered[]>([])
  const [task, setTask] = useState(() => newTask(exercise.kind, known, Math.random))
  const [score, setScore] = useState({ right: 0, of: 0 })
  const [said, setSaid] = useState<Said>()
  const [index, setIndex] = useState(0)
  const [diagram, setDiagram] = useState(false)
  const last = index === exercise.count - 1
  const say = (answer: Said) => {
    const { right, of, answered } = answerTask(task, answer)
    setSaid(answer)
    setScore({ right: score.right + right, of: score.of + of })
    if (answered) setAnswers([...answers, answered])
  }
  const next = () => {
    if (last) {
      finish({ ...score, answers })
      return
    }
    setIndex(index + 1)
    setSaid(undefined)
    setTask(newTask(exercise.kind, [...known, ...answers], Math.random))
  }
  const seed = index * 23 + 5
  const shared = { because: taskBecause(task), next, last }
  return (
    <>
      <h1 className="text-3xl font-bold">
        {exercise.title}{' '}
        <span className="text-base font-normal">
          {index + 1} of {exercise.count}
        </span>
      </h1>
      <h2 className="mt-1 text-2xl">{exercise.ask}</h2>
      {task.kind === 'sort' ? (
        <SortTask
          key={index}
          swatches={task.swatches}
          right={task.right}
          seed={seed}
          said={said}
          say={say}
          {...shared}
        />
      ) : (
        <div
          className={`mt-3 grid grid-cols-1 gap-x-6 ${task.kind === 'read' ? 'lg:grid-cols-[3fr_2fr]' : 'max-w-3xl'}`}
        >
          <div>
            <div className={`grid gap-5 ${task.kind === 'read' ? '' : 'sm:grid-cols-2'}`}>
              {task.swatches.map((setup, at) => (
                <section key={at} aria-label={namesOf(task)[at]}>
                  {task.kind !== 'read' && <h3 className="mb-1 text-xl font-bold">{namesOf(task)[at]}</h3>}
                  <TwoFaces
                    setup={setup}
                    seed={seed + at}
                    diagram={diagram}
                    lengthMm={task.kind === 'read' ? 20 : 16}
                  />
                </section>
              ))}
            </div>
            <DiagramSwitch on={diagram} set={setDiagram} />
          </div>
          <div>
            <Choice task={task} said={said} say={say} wide={task.kind !== 'read'} {...shared} />
          </div>
        </div>
      )}
    </>
  )
}

/** What the swatches of a task are called. */
const namesOf = ({ kind }: Task): readonly string[] =>
  kind === 'looser' ? ['A', 'B'] : kind === 'between' ? ['Before', 'After'] : ['The swatch']

/** The answers of a task, as a question has them. */
function Choice({
  task,
  said,
  say,
  ...shared
}: {
  task: Exclude<Task, { kind: 'sort' }>
  said: Said | undefined
  say: (said: Said) => void
  because: string
  next: () => void
  last: boolean
  wide: boolean
}) {
  const offered: readonly Said[] = task.kind === 'looser' ? [0, 1] : task.kind === 'read' ? VERDICTS : CHANGES
  return (
    <Question
      options={offered.map((each) => (typeof each === 'number' ? namesOf(task)[each]! : answerWords(each as Answer)))}
      right={offered.indexOf(task.right)}
      chosen={said === undefined ? undefined : offered.indexOf(said)}
      answer={(at) => say(offered[at]!)}
      {...shared}
    />
  )
}
