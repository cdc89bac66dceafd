'use client'

import { useState } from 'react'
import { DRILLS, type Drill, type DrillQuestion } from '@/core/knowledge/tension/drill'
import { plain } from '@/core/units/words'
import {
  answerPrediction,
  answerVerdict,
  isPredictable,
  makeMove,
  MOVES,
  MOVE_WORDS,
  newRound,
  PREDICTION_WORDS,
  PREDICTIONS,
  stitched,
  VERDICTS,
  VERDICT_WORDS,
  verdictOf,
  type Move,
  type Prediction,
  type Round,
  type Verdict,
} from '@/core/trainer/swatch-round'
import { PASS } from '@/core/trainer/pass'
import { BobbinDrawing } from '@/ui/drawings/bobbin'
import { DialDrawing } from '@/ui/drawings/dial'
import { NeedlePlan } from '@/ui/drawings/needle'
import { SewnFace } from '@/ui/drawings/sewn-line'
import { DiscsDrawing, HandWheelDrawing, TakeUpDrawing } from '@/ui/drawings/threading'
import { useWrite } from '@/ui/parts/use-write'

/** How many swatches make one exercise. */
const ROUNDS = 3
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

function Swatches({ finish }: { finish: (right: number, of: number) => void }) {
  const [count, setCount] = useState(1)
  const [round, setRound] = useState<Round>(() => newRound(Math.random))
  const [read, setRead] = useState(false)
  /** a turn of the dial that waits for what the learner expects of it */
  const [turning, setTurning] = useState<Move>()
  const [said, setSaid] = useState<{ readonly right: boolean; readonly words: string }>()
  const [score, setScore] = useState({ right: 0, of: 0 })
  const result = stitched(round)
  const stitch = {
    kind: 'straight' as const,
    lengthMm: round.setup.lengthMm,
    widthMm: 0,
    topThreadMm: 0.28,
    bobbinThreadMm: 0.28,
    stackMm: round.setup.stackMm,
    needleMm: 0.8,
    lockMm: result.lockMm,
    s: result.s,
    skipped: result.skipped,
  }
  const answer = (verdict: Verdict) => {
    const truth = verdictOf(round)
    const next = answerVerdict(round, verdict)
    setRound(next.round)
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
      finish(total.right, total.of)
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
            <SewnFace stitch={stitch} face="top" className="w-full border border-base-300" />
            <figcaption>On top: blue is the top thread</figcaption>
          </figure>
          <figure>
            <SewnFace stitch={stitch} face="under" nest={result.nest} className="w-full border border-base-300" />
            <figcaption>Turned over: rust and striped is the bobbin’s</figcaption>
          </figure>
          {result.look.signs.includes('shredding') && <p className="font-semibold">The thread frays above the eye.</p>}
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

function DrillRun({ drill, finish }: { drill: Drill; finish: (right: number, of: number) => void }) {
  const [index, setIndex] = useState(0)
  const [chosen, setChosen] = useState<number>()
  const [right, setRight] = useState(0)
  const question = drill.questions[index]!
  const last = index === drill.questions.length - 1
  return (
    <div className="mx-auto max-w-3xl">
      <h1 className="text-3xl font-bold">{drill.title}</h1>
      <p className="text-sm">
        {index + 1} of {drill.questions.length}
      </p>
      <section className="sheet mt-3 p-6">
        <div className="flex items-start justify-between gap-6">
          <h2 className="text-2xl font-bold">{question.ask}</h2>
          <Picture of={question.picture} />
        </div>
        <div className="mt-4 flex flex-col gap-2">
          {question.options.map((option, at) => (
            <button
              key={option}
              type="button"
              disabled={chosen !== undefined}
              className={`btn btn-lg h-auto justify-start py-3 text-left disabled:text-base-content ${
                chosen === undefined
                  ? 'btn-outline'
                  : at === question.right
                    ? 'border-4 border-success'
                    : at === chosen
                      ? 'border-4 border-warning'
                      : 'btn-ghost'
              }`}
              onClick={() => {
                setChosen(at)
                if (at === question.right) setRight(right + 1)
              }}
            >
              {chosen !== undefined && at === question.right && <span aria-hidden="true">✓ </span>}
              {option}
            </button>
          ))}
        </div>
        <div aria-live="polite" className="mt-4 min-h-12 text-lg">
          {chosen !== undefined && (
            <p>
              <strong>{chosen === question.right ? 'Yes. ' : 'Not quite. '}</strong>
              {question.because}
            </p>
          )}
        </div>
        {chosen !== undefined && (
          <button
            type="button"
            className="btn btn-primary btn-lg"
            onClick={() => {
              if (last) finish(right, drill.questions.length)
              else {
                setIndex(index + 1)
                setChosen(undefined)
              }
            }}
          >
            {last ? 'Done' : 'Next'}
          </button>
        )}
      </section>
    </div>
  )
}

function Picture({ of }: { of: DrillQuestion['picture'] }) {
  const size = 'h-32 shrink-0'
  switch (of) {
    case 'needle':
      return <NeedlePlan way={{ shankFlat: 'back', eyeThreaded: 'front-to-back' }} className={size} />
    case 'bobbin-P':
      return <BobbinDrawing runs="P" className={size} />
    case 'bobbin-9':
      return <BobbinDrawing runs="9" className={size} />
    case 'discs':
      return <DiscsDrawing discs="outside" className={size} />
    case 'take-up':
      return <TakeUpDrawing takeUp="slot" className={size} />
    case 'hand-wheel':
      return <HandWheelDrawing turns="towards" className={size} />
    default:
      return null
  }
}
