'use client'

import { Link } from '@/ui/parts/link'
import { useEffect, useRef, useState } from 'react'
import { LESSON } from '@/core/knowledge/tension/lesson'
import { UNDYED } from '@/core/picture/swatch-scene'
import { lessonStitch } from '@/core/stitch/lesson-stitch'
import { DiagramSwitch, SewnPicture } from '@/ui/picture/sewn-picture'

/** As much of a seam as is seen from the last row. */
const LENGTH_MM = 22

const KNIT = { structure: 'knit', massGsm: 160, colour: UNDYED } as const

/** The tension lesson for a projector: one face above the other, a question, and the answer when the class has had its say. */
/** `from` names the moment that it begins with, where one is asked for. */
export function Demonstration({ from }: { from?: string }) {
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      LESSON.findIndex(({ id }) => id === from),
    ),
  )
  const [told, setTold] = useState(false)
  const [diagram, setDiagram] = useState(false)
  const board = useRef<HTMLElement>(null)
  const moment = LESSON[at]!
  const { stitch, result } = lessonStitch(moment)
  const { byTension, byCrowding } = result.pucker
  const flaw = result.ridge > 1 ? ('ridge' as const) : moment.sewn.flaw
  const go = (to: number) => {
    setAt(Math.max(0, Math.min(LESSON.length - 1, to)))
    setTold(false)
  }
  const whole = () => void (document.fullscreenElement ? document.exitFullscreen() : board.current?.requestFullscreen())
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.altKey || event.ctrlKey || event.metaKey) return
      // A key that a button or switch has under the finger is that one's own.
      const own = event.target instanceof Element && event.target.closest('button, input, a')
      if (event.key === ' ' && own) return
      const does: Partial<Record<string, () => void>> = {
        ArrowRight: () => go(at + 1),
        ArrowLeft: () => go(at - 1),
        PageDown: () => go(at + 1),
        PageUp: () => go(at - 1),
        ' ': () => setTold((before) => !before),
        a: () => setTold((before) => !before),
        d: () => setDiagram((before) => !before),
        f: whole,
      }
      const act = does[event.key]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', pressed)
    return () => window.removeEventListener('keydown', pressed)
  })
  const sewn = {
    stitch,
    nest: result.nest,
    pucker: Math.max(byTension, byCrowding),
    ...(flaw && { flaw }),
    lengthMm: LENGTH_MM,
    seed: 5 + at,
    diagram,
    className: 'w-full border border-base-300',
  }
  return (
    <section
      ref={board}
      aria-label="Demonstration"
      className="flex min-h-[80vh] flex-col gap-4 overflow-auto bg-base-100 p-2"
    >
      <header className="flex flex-wrap items-baseline gap-x-6">
        <p className="text-lg">
          {at + 1} of {LESSON.length}
        </p>
        <h1 className="text-4xl font-bold">{moment.title}</h1>
        <Link className="link ml-auto" href="/lab">
          Leave
        </Link>
      </header>
      <div className="grid grow items-center gap-4 lg:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-3">
          {(['top', 'under'] as const).map((face) => (
            <figure key={`${moment.id} ${face}`}>
              <SewnPicture
                {...sewn}
                face={face}
                {...(moment.sewn.cloth === 'knit' && { cloth: { ...KNIT, wrongSide: face === 'under' } })}
              />
              <figcaption className="text-xl">{face === 'top' ? 'On top' : 'Turned over'}</figcaption>
            </figure>
          ))}
        </div>
        <div className="flex flex-col gap-5">
          <p className="text-3xl leading-snug font-semibold">{moment.ask}</p>
          <p aria-live="polite" className="min-h-40 text-2xl leading-snug">
            {told && moment.answer}
          </p>
        </div>
      </div>
      <footer className="flex flex-wrap items-center gap-3">
        <button type="button" className="btn btn-outline" disabled={at === 0} onClick={() => go(at - 1)}>
          Before
        </button>
        <button type="button" className="btn btn-outline" onClick={() => setTold(!told)}>
          {told ? 'Take the answer away' : 'The answer'}
        </button>
        <button
          type="button"
          className="btn btn-primary"
          disabled={at === LESSON.length - 1}
          onClick={() => go(at + 1)}
        >
          Next
        </button>
        <DiagramSwitch on={diagram} set={setDiagram} />
        <button type="button" className="btn btn-ghost" onClick={whole}>
          Whole screen
        </button>
        <p className="text-sm">
          Keys: arrows to step, space for the answer, D for the diagram, F for the whole screen.
        </p>
      </footer>
    </section>
  )
}
