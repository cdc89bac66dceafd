'use client'

import { named } from '@/core/units/words'
import { POINTS, type Point } from '@/core/knowledge/needle/needle'
import { needleFit, type DropResult, type DropTest, type NeedleFit } from '@/core/kit/needle-fit'
import { sizeText } from '@/core/units/needle-size'
import { type Thread } from '@/core/units/thread'
import { EyeFit } from '@/ui/drawings/needle'
import { FaultNote } from '@/ui/parts/fault-note'
import { useWrite } from '@/ui/parts/use-write'

export const DROP_WORDS: Readonly<Record<DropResult, string>> = {
  slides: 'slides straight down',
  spirals: 'comes down slowly, turning',
  stays: 'stays where it is',
}

const FIT_WORDS: Readonly<Record<NeedleFit['verdict'], string>> = {
  good: 'It passes.',
  tight: 'Tight: a drop test decides.',
  shreds: 'It shreds: take a larger needle or a finer thread.',
  loose: 'It passes with room to spare; a note, not a fault.',
}

export function Pass({
  thread,
  point,
  sizeNm,
  tests,
  mayLog,
}: {
  thread: Thread
  point: Point
  sizeNm: number
  tests: readonly DropTest[]
  mayLog: boolean
}) {
  const { busy, fault, write } = useWrite()
  const fitOf = (size: number) => needleFit({ point, sizeNm: size }, thread, { points: POINTS, dropTests: tests })
  const fit = fitOf(sizeNm)
  const sold = POINTS[point].sizesNm.includes(sizeNm)
  return (
    <div className="mt-3 flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-4">
        <EyeFit eyeMm={fit.eyeMm} threadMm={fit.threadMm} className="w-36" />
        <p className="text-lg" role="status">
          <strong>{FIT_WORDS[fit.verdict]}</strong>
          <span className="block text-base">
            Eye {fit.eyeMm.toFixed(2)} mm, thread {fit.threadMm.toFixed(2)} mm: {fit.clearance.toFixed(2)} times
          </span>
          {fit.dropTest && (
            <span className="block text-base">
              Decided by a drop test with {sizeText(fit.dropTest.sizeNm)}, which beats the formula.
            </span>
          )}
          {!sold && (
            <span className="block text-base text-warning">
              {POINTS[point].words} is not sold in {sizeText(sizeNm)}.
            </span>
          )}
        </p>
      </div>
      <p className="text-sm opacity-80">{POINTS[point].words} in every size sold</p>
      <ul className="flex flex-wrap gap-x-3 gap-y-1">
        {POINTS[point].sizesNm.map((size) => (
          <li key={size} className="text-center">
            <span className={size === sizeNm ? 'font-bold underline' : ''}>{sizeText(size)}</span>
            <span className="block text-sm">{named(fitOf(size).verdict)}</span>
          </li>
        ))}
      </ul>
      {mayLog && sold && (
        <fieldset className="border-t border-dashed border-base-content/40 pt-3">
          <legend className="font-bold">Drop test</legend>
          <p className="text-sm">
            Hold the thread taut and upright with the needle hanging on it. What does the needle do? Your answer counts
            from now on.
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {(Object.keys(DROP_WORDS) as DropResult[]).map((result) => (
              <button
                key={result}
                type="button"
                className="btn btn-outline"
                disabled={busy}
                onClick={() =>
                  void write(
                    'log-drop-test',
                    { point, sizeNm, thread, result },
                    { done: `Drop test: it ${DROP_WORDS[result]}` },
                  )
                }
              >
                {DROP_WORDS[result]}
              </button>
            ))}
          </div>
          <FaultNote fault={fault} />
        </fieldset>
      )}
    </div>
  )
}
