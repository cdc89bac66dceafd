'use client'

import { EXERCISES, isDueAgain, isPassed, type Exercise } from '@/core/trainer/exercises'
import { newTask } from '@/core/trainer/task'
import { drawnSwatch } from '@/core/trainer/drawn-swatch'
import { DialDrawing } from '@/ui/drawings/dial'
import { SewnFace } from '@/ui/drawings/sewn-line'
import { faceFrame } from '@/core/stitch/geometry'
import { formatInTimeZone } from '@/ui/time'
import { DrillPicture } from './drill-run'
import type { Tried } from './trainer'

/** All exercises as they follow each other along a seam; the next one is the one big thing. */
export function ExerciseList({
  tried,
  next,
  now,
  timeZone,
  open,
}: {
  tried: Tried
  next: Exercise | undefined
  now: string
  timeZone: string
  open: (exercise: Exercise) => void
}) {
  return (
    <ol className="mt-5 max-w-3xl">
      {EXERCISES.map((exercise) => {
        const isNext = exercise.id === next?.id
        const own = tried[exercise.id]
        return (
          <li key={exercise.id} className="seam">
            <button
              type="button"
              aria-current={isNext ? 'step' : undefined}
              className={`flex w-full items-center gap-4 px-2 text-left hover:bg-base-200 ${
                isNext ? 'border-l-8 border-primary bg-base-200 py-5' : 'py-2'
              }`}
              onClick={() => open(exercise)}
            >
              <span aria-hidden="true" className="flex h-16 w-16 shrink-0 items-center sm:w-24 justify-center">
                <Drawing of={exercise} />
              </span>
              <span className="flex grow flex-wrap items-center justify-between gap-x-4">
                <span className={`font-bold ${isNext ? 'text-2xl' : 'text-xl'}`}>{exercise.title}</span>
                <span className="text-sm sm:text-right">
                  {isNext && <strong className="mr-1 text-base sm:mr-0 sm:block">Next</strong>}
                  {standing(own, now, timeZone)}
                  {own && (
                    <>
                      <span className="sm:hidden"> · </span>
                      <span className="sm:block">best {Math.round(own.best * 100)} in 100</span>
                    </>
                  )}
                </span>
              </span>
            </button>
          </li>
        )
      })}
    </ol>
  )
}

function standing(own: Tried[string] | undefined, now: string, timeZone: string): string {
  if (!own) return 'not yet'
  if (!isPassed(own)) return 'begun'
  if (isDueAgain(own, now)) return '✓ done · once more now'
  return own.againAt ? `✓ done · again on ${formatInTimeZone(own.againAt, timeZone).split(',')[0]}` : '✓ done'
}

/** The same pictures at every visit. */
const STILL = () => 0.35
const FRAME_MM = 9

function Drawing({ of }: { of: Exercise }) {
  if (of.does === 'drill') {
    const picture = of.drill.questions.find((each) => each.picture)?.picture
    if (picture) return <DrillPicture of={picture} className="h-16" />
  }
  if (of.does !== 'tasks')
    return <DialDrawing dial={{ min: 0, max: 9, normal: 4, step: 0.5 }} set={4} className="h-16" />
  const { swatches } = newTask(of.kind, [], STILL)
  return (
    <span className="flex w-full flex-col gap-0.5">
      {swatches.slice(0, 3).map((setup, index) => {
        const { stitch, nest } = drawnSwatch(setup)
        const frame = faceFrame(stitch, FRAME_MM)
        return <SewnFace key={index} stitch={stitch} face="top" nest={nest} frame={{ ...frame, heightMm: 2 }} />
      })}
    </span>
  )
}
