'use client'

import { VenueMark, type PrintedVenue } from '@/ui/parts/venue-mark'
import { LESSON, type LessonMoment } from '@/core/knowledge/tension/lesson'
import { lessonStitch } from '@/core/stitch/lesson-stitch'
import { SewnPicture } from '@/ui/picture/sewn-picture'

const moment = (id: string): LessonMoment => LESSON.find((each) => each.id === id)!

/** What a learner takes home: the straight line, right and wrong, and what comes first each time. */
const TAKEN_HOME = [
  ['good', 'Sew.'],
  ['loose', 'Thread it anew with the foot up. Still so? A little more on the dial.'],
  ['tight', 'Bobbin out, looked at, back in. Still so? A little less on the dial.'],
  ['discs', 'Thread it anew with the foot up. The dial stays where it is.'],
  ['needle', 'A new needle. Never the dial.'],
] as const
const CHARTED = ['good', 'loose', 'tight', 'discs', 'needle', 'zigzag'] as const
/** Of each seam so much is in view that all are about as high. */
const CHARTED_MM = { good: 14, loose: 14, tight: 14, discs: 14, needle: 14, zigzag: 22 } as const

function Face({
  id,
  face,
  lengthMm,
  widthMm,
}: {
  id: string
  face: 'top' | 'under'
  /** of the seam that is shown */
  lengthMm: number
  /** of the picture on the paper: as wide as the seam, it is its true size */
  widthMm: number
}) {
  const { stitch, result } = lessonStitch(moment(id))
  return (
    <div style={{ width: `${widthMm}mm` }}>
      <SewnPicture
        stitch={stitch}
        nest={result.nest}
        face={face}
        lengthMm={lengthMm}
        fine
        className="w-full border border-base-300"
      />
    </div>
  )
}

/** A4, upright: each face in its true size and four times as large. */
export function HandOut({ venue }: { venue: PrintedVenue }) {
  return (
    <article className="paper paper-a4" aria-label="Hand-out">
      <header className="flex items-center justify-between gap-4 border-b-2 border-current pb-1">
        <h2 className="text-2xl font-bold">Reading a test swatch</h2>
        <VenueMark {...venue} />
      </header>
      <p className="mt-1 text-sm">
        Dark thread above, light thread below, two layers of the cloth you sew. Small pictures are true to size, large
        ones four times. Before anything is touched: foot up, hands off the pedal.
      </p>
      {TAKEN_HOME.map(([id, first]) => (
        <section key={id} className="mt-1.5 border-b border-base-300 pb-1.5">
          <div className="flex items-start gap-3">
            <div className="flex flex-col gap-1">
              <Face id={id} face="top" lengthMm={18} widthMm={72} />
              <Face id={id} face="under" lengthMm={18} widthMm={72} />
            </div>
            <div className="flex flex-col gap-1">
              <Face id={id} face="top" lengthMm={18} widthMm={18} />
              <Face id={id} face="under" lengthMm={18} widthMm={18} />
            </div>
            <div className="min-w-0 flex-1 text-sm leading-snug">
              <h3 className="text-base font-bold">{moment(id).title}</h3>
              <p>{moment(id).answer}</p>
              <p className="mt-1">
                <strong>First:</strong> {first}
              </p>
            </div>
          </div>
        </section>
      ))}
      <p className="mt-2 text-xs">
        Drawn by a model to learn from; a real swatch on your own machine decides. The machine’s manual comes before
        this sheet.
      </p>
    </article>
  )
}

/** A4, across, for the wall: six pairs of faces, legible from where one stands. */
export function WallChart({ venue }: { venue: PrintedVenue }) {
  return (
    <article className="paper paper-a4-across" aria-label="Wall chart">
      <header className="flex items-center justify-between gap-4 border-b-2 border-current pb-1">
        <h2 className="text-3xl font-bold">What does the swatch say?</h2>
        <p>Dark thread above, light thread below</p>
        <VenueMark {...venue} />
      </header>
      <div className="mt-3 grid grid-cols-3 gap-x-5 gap-y-4">
        {CHARTED.map((id) => (
          <section key={id}>
            <h3 className="text-xl font-bold">{moment(id).title}</h3>
            <div className="flex flex-col gap-1">
              <Face id={id} face="top" lengthMm={CHARTED_MM[id]} widthMm={84} />
              <Face id={id} face="under" lengthMm={CHARTED_MM[id]} widthMm={84} />
            </div>
            <p className="text-sm leading-snug">{moment(id).answer}</p>
          </section>
        ))}
      </div>
    </article>
  )
}
