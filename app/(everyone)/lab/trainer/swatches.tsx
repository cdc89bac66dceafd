'use client'

import { useState } from 'react'
import {
  MOVE_WORDS,
  MOVES,
  VERDICT_WORDS,
  VERDICTS,
  type Answered,
  type Move,
  type Verdict,
} from '@/core/knowledge/tension/answer'
import { plain } from '@/core/units/words'
import {
  answerPrediction,
  answerVerdict,
  isPredictable,
  makeMove,
  newRound,
  PREDICTION_WORDS,
  PREDICTIONS,
  verdictOf,
  type Prediction,
  type Round,
} from '@/core/trainer/swatch-round'
import { drawnSwatch } from '@/core/trainer/drawn-swatch'
import { DialDrawing } from '@/ui/drawings/dial'
import { DiagramSwitch, SewnPicture } from '@/ui/picture/sewn-picture'
import type { Done } from './done'

/** How many swatches make one exercise. */
const ROUNDS = 3

export function Swatches({ finish }: { finish: (done: Done) => void }) {
  const [count, setCount] = useState(1)
  const [round, setRound] = useState<Round>(() => newRound(Math.random))
  const [diagram, setDiagram] = useState(false)
  const [read, setRead] = useState(false)
  /** a turn of the dial that waits for what the learner expects of it */
  const [turning, setTurning] = useState<Move>()
  const [said, setSaid] = useState<{ readonly right: boolean; readonly words: string }>()
  const [score, setScore] = useState<Done>({ right: 0, of: 0 })
  const [answers, setAnswers] = useState<readonly Answered[]>([])
  const swatch = drawnSwatch(round.setup)
  const sewn = { ...swatch, seed: count * 11 + 3, diagram, className: 'w-full border border-base-300' }
  const answer = (verdict: Verdict) => {
    const truth = verdictOf(round)
    const next = answerVerdict(round, verdict)
    setRound(next.round)
    setAnswers([...answers, { shown: truth, said: verdict }])
    setRead(true)
    setSaid({
      right: next.right,
      words: next.right
        ? `Yes: ${VERDICT_WORDS[truth].toLowerCase()}.`
        : `Look again: ${VERDICT_WORDS[truth].toLowerCase()}.`,
    })
  }
  const move = (chosen: Move) => {
    if (isPredictable(chosen)) {
      setTurning(chosen)
      setSaid(undefined)
      return
    }
    const made = makeMove(round, chosen)
    setSaid({ right: made.right, words: made.because })
    setRound(made.round)
    setRead(false)
  }
  const predict = (prediction: Prediction) => {
    if (!turning) return
    const expected = answerPrediction(round, turning, prediction)
    const made = makeMove(expected.round, turning)
    const seen = PREDICTION_WORDS[expected.truth].toLowerCase()
    setSaid({
      right: expected.right && made.right,
      words: `${expected.right ? 'As you said' : 'See for yourself'}: ${seen}. ${made.because}`,
    })
    setRound(made.round)
    setTurning(undefined)
    setRead(false)
  }
  const next = () => {
    const total = { right: score.right + round.right, of: score.of + round.of }
    if (count === ROUNDS) {
      finish({ ...total, answers })
      return
    }
    setScore(total)
    setCount(count + 1)
    setRound(newRound(Math.random))
    setRead(false)
    setSaid(undefined)
  }
  return (
    <>
      <h1 className="text-3xl font-bold">
        Swatch {count} of {ROUNDS}
      </h1>
      <div className="mt-4 grid grid-cols-1 gap-6 lg:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-3">
          <figure>
            <SewnPicture {...sewn} face="top" />
            <figcaption>On top: dark is the top thread</figcaption>
          </figure>
          <figure>
            <SewnPicture {...sewn} face="under" />
            <figcaption>Turned over: light is the bobbin’s</figcaption>
          </figure>
          <DiagramSwitch on={diagram} set={setDiagram} />
          {swatch.frayed && <p className="font-semibold">The thread frays above the eye.</p>}
          <div className="flex items-center gap-4">
            <DialDrawing dial={{ ...round.setup.dial, step: 0.5 }} set={round.setup.at} className="w-32" />
            <p>
              Dial at <span className="numeral text-2xl">{plain(round.setup.at)}</span>
              <br />
              its normal mark is {plain(round.setup.dial.normal)}
            </p>
          </div>
        </div>
        <div className="flex flex-col gap-4">
          <div aria-live="polite" className="min-h-14">
            {said && (
              <p className={`border-l-4 py-1 pl-3 text-lg ${said.right ? 'border-success' : 'border-warning'}`}>
                {said.words}
              </p>
            )}
          </div>
          {round.finished ? (
            <button type="button" className="btn btn-primary btn-lg" onClick={next}>
              {count === ROUNDS ? 'Done' : 'The next swatch'}
            </button>
          ) : turning ? (
            <fieldset>
              <legend className="mb-2 text-xl font-bold">{MOVE_WORDS[turning]}. What will the new swatch show?</legend>
              <div className="flex flex-col gap-2">
                {PREDICTIONS.map((each) => (
                  <button
                    key={each}
                    type="button"
                    className="btn btn-outline btn-lg justify-start"
                    onClick={() => predict(each)}
                  >
                    {PREDICTION_WORDS[each]}
                  </button>
                ))}
                <button type="button" className="btn btn-ghost" onClick={() => setTurning(undefined)}>
                  Leave the dial for now
                </button>
              </div>
            </fieldset>
          ) : read ? (
            <fieldset>
              <legend className="mb-2 text-xl font-bold">What do you do next?</legend>
              <div className="flex flex-col gap-2">
                {MOVES.map((each) => (
                  <button
                    key={each}
                    type="button"
                    className="btn btn-outline btn-lg justify-start"
                    onClick={() => move(each)}
                  >
                    {MOVE_WORDS[each]}
                  </button>
                ))}
              </div>
            </fieldset>
          ) : (
            <fieldset>
              <legend className="mb-2 text-xl font-bold">What does it show?</legend>
              <div className="flex flex-col gap-2">
                {VERDICTS.map((each) => (
                  <button
                    key={each}
                    type="button"
                    className="btn btn-outline btn-lg justify-start"
                    onClick={() => answer(each)}
                  >
                    {VERDICT_WORDS[each]}
                  </button>
                ))}
              </div>
            </fieldset>
          )}
        </div>
      </div>
    </>
  )
}
