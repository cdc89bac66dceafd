import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MOVES, VERDICTS } from '../knowledge/tension/answer'
import { DRILLS } from '../knowledge/tension/drill'
import {
  answerPrediction,
  answerVerdict,
  isPredictable,
  makeMove,
  newRound,
  PREDICTIONS,
  rightMove,
  verdictOf,
  type Round,
} from './swatch-round'

const anyRound = fc
  .array(fc.double({ min: 0, max: 0.999, noNaN: true }), { minLength: 6, maxLength: 6 })
  .map((draws) => {
    let index = 0
    return newRound(() => draws[index++ % draws.length]!)
  })

describe('a round of the trainer', () => {
  it('is put right by the right moves, in few of them, with a full score', () =>
    fc.assert(
      fc.property(anyRound, (first) => {
        let round: Round = first
        for (let move = 0; move < 14 && !round.finished; move += 1) {
          const read = answerVerdict(round, verdictOf(round))
          expect(read.right).toBe(true)
          const made = makeMove(read.round, rightMove(round))
          expect(made.right).toBe(true)
          round = made.round
        }
        expect(round.finished).toBe(true)
        expect(verdictOf(round)).toBe('good')
        expect(round.right).toBe(round.of)
      }),
    ))

  it('never turns the dial before everything else is done, and never for a fault that is none of its own', () =>
    fc.assert(
      fc.property(anyRound, (round) => {
        expect(['dial-up', 'dial-down']).not.toContain(rightMove(round))
        if (round.setup.fault === 'worn-needle') expect(rightMove(round)).toBe('change-needle')
        if (round.setup.fault === 'out-of-discs') expect(verdictOf(round)).toBe('threading')
      }),
    ))

  it('scores the order and not the speed: a move out of turn is made and not counted', () =>
    fc.assert(
      fc.property(anyRound, fc.constantFrom(...MOVES), fc.constantFrom(...VERDICTS), (round, move, verdict) => {
        const made = makeMove(round, move)
        expect(made.round.of).toBe(1)
        expect(made.round.right).toBe(move === rightMove(round) ? 1 : 0)
        expect(made.because.length).toBeGreaterThan(10)
        expect(answerVerdict(round, verdict).right).toBe(verdict === verdictOf(round))
      }),
    ))
})

describe('a prediction', () => {
  it('is right by what the turned dial then sews: up lifts the knots and down sinks them, and one of three is true', () =>
    fc.assert(
      fc.property(anyRound, fc.constantFrom('dial-up' as const, 'dial-down' as const), (round, move) => {
        const right = PREDICTIONS.filter((each) => answerPrediction(round, move, each).right)
        expect(right).toHaveLength(1)
        expect(right[0]).not.toBe(move === 'dial-up' ? 'knot-sinks' : 'knot-rises')
        if (round.setup.fault === 'none') expect(right[0]).not.toBe('nothing')
        expect(answerPrediction(round, move, 'nothing').round).toMatchObject({ of: round.of + 1, setup: round.setup })
      }),
    ))

  it('is asked only of the dial', () => expect(MOVES.filter(isPredictable)).toEqual(['dial-down', 'dial-up']))
})

describe('the drills', () => {
  it('have one right answer among their options, a reason, and names of their own', () => {
    const ids = DRILLS.flatMap(({ id, questions }) => questions.map((question) => `${id}/${question.id}`))
    expect(new Set(ids).size).toBe(ids.length)
    for (const { questions } of DRILLS)
      for (const { options, right, because } of questions) {
        expect(options[right]).toBeDefined()
        expect(new Set(options).size).toBe(options.length)
        expect(because).toMatch(/\.$/)
      }
  })
})
