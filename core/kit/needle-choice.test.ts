import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { HOUSEHOLD_SYSTEM, isTwin, NEEDLE_SYSTEMS, POINTS, pointsThat, sizesSold } from '../knowledge/needle/needle'
import type { KitThread } from '../knowledge/thread/thread'
import { chooseSize, MOST_BEYOND, sizesFor, type ClothRange, type NeedleCandidate } from './needle-choice'
import { needleFit } from './needle-fit'

/** Every size of a needle and what is said of it, held to what it costs. Sizes in Nm. */
const ALL_POINTS = pointsThat(() => true)
const fit = { points: POINTS, dropTests: [] }
const anyRange = fc
  .record({
    low: fc.constantFrom(60, 65, 70, 80, 90, 100),
    span: fc.constantFrom(0, 10, 20),
    raise: fc.constantFrom(0, 10),
  })
  .map(({ low, span, raise }): ClothRange => {
    const up = low + span
    return { low, up, raisedLow: Math.min(low + raise, up), rules: [], because: `It wants ${low} to ${up}.` }
  })
const anyThread = fc
  .constantFrom(13, 18, 27, 40, 60, 80, 105)
  .map((tex): KitThread => ({ tex, fibre: 'polyester', use: 'all-purpose' }))
const anyNeedles = fc
  .tuple(fc.constantFrom(60, 70, 80, 90, 100), fc.constantFrom(0, 10, 20, 40))
  .map(([min, span]) => ({ needleNm: { min, max: min + span }, maxWidthMm: 7 }))
const anyQuestion = fc.record({
  point: fc.constantFrom(...ALL_POINTS),
  system: fc.constantFrom(...NEEDLE_SYSTEMS),
  range: anyRange,
  threads: fc.uniqueArray(anyThread, { minLength: 1, maxLength: 2, selector: ({ tex }) => tex }),
  machine: fc.option(anyNeedles, { nil: undefined }),
  guessed: fc.boolean(),
})
type Question = typeof anyQuestion extends fc.Arbitrary<infer Of> ? Of : never

const boundsOf = ({ system, range, machine, guessed }: Question) => ({
  range,
  fit,
  machine,
  system,
  firm: guessed ? { low: 0, up: Infinity } : { low: range.raisedLow, up: range.up },
})
const chosen = (question: Question): NeedleCandidate | undefined =>
  chooseSize(question.point, question.threads, boundsOf(question), {})
const beyond = ({ range, point }: Question, size: number) =>
  Math.max(range.raisedLow - size, POINTS[point].holeWanted ? 0 : size - range.up, 0)
/** Half a step off is as good where nobody sells a nearer one. */
const suits = (question: Question, size: number): boolean => {
  const off = beyond(question, size)
  return (
    off === 0 || (off <= 5 && !sizesSold(question.system, question.point).some((each) => beyond(question, each) === 0))
  )
}
const verdictOf = ({ point, sizeNm, thread }: Pick<NeedleCandidate, 'point' | 'sizeNm' | 'thread'>) =>
  needleFit({ point, sizeNm }, thread, fit).verdict

const always = (law: (question: Question, needle: NeedleCandidate) => void) =>
  fc.assert(
    fc.property(anyQuestion, (question) => {
      const needle = chosen(question)
      if (needle) law(question, needle)
    }),
    { numRuns: 2000 },
  )

describe('the size of a needle', () => {
  it('is one that is sold and that the machine takes, with a thread that passes it', () =>
    always((question, needle) => {
      expect(sizesFor(question.point, boundsOf(question))).toContain(needle.sizeNm)
      expect(question.threads).toContain(needle.thread)
      expect(verdictOf(needle)).not.toBe('shreds')
    }))

  it('costs something exactly where the thread is tight, or where nearer the cloth something is sold or nothing near is', () =>
    always((question, needle) => {
      expect(needle.marginal).toBe(verdictOf(needle) === 'tight' || !suits(question, needle.sizeNm))
    }))

  it('is the finest of those that cost nothing', () =>
    always((question, needle) => {
      if (needle.marginal) return
      const finer = sizesFor(question.point, boundsOf(question)).filter(
        (size) => size < needle.sizeNm && beyond(question, size) <= beyond(question, needle.sizeNm),
      )
      for (const sizeNm of finer)
        for (const thread of question.threads)
          expect(['good', 'loose']).not.toContain(verdictOf({ point: question.point, sizeNm, thread }))
    }))

  it('says all that it costs: a tight eye, a blade too fine for the cloth, a hole that shows; and no more', () =>
    always((question, needle) => {
      const { because, sizeNm } = needle
      const { raisedLow, up } = question.range
      const tight = /thread is tight/.test(because)
      expect(tight).toBe(verdictOf(needle) === 'tight')
      const isFine = sizeNm < raisedLow && !suits(question, sizeNm)
      const isThick = beyond(question, sizeNm) > 0 && sizeNm > up && !suits(question, sizeNm)
      const outside = /nothing thicker than|nothing finer than|not sold between|thicker than the/.test(because)
      expect([sizeNm, because, outside]).toEqual([sizeNm, because, isFine || isThick])
      // What is said of the machine is so.
      const sold = sizesSold(question.system, question.point)
      const { min, max } = question.machine?.needleNm ?? { min: 0, max: Infinity }
      if (/nothing thicker than/.test(because)) expect([isFine, sold.some((size) => size > max)]).toEqual([true, true])
      if (/nothing finer than/.test(because)) expect([isThick, sold.some((size) => size < min)]).toEqual([true, true])
      if (/not sold between/.test(because))
        expect(sold.filter((size) => beyond(question, size) === 0 && size >= min && size <= max)).toEqual([])
    }))

  it('is none only where all are too far off, or every thread shreds in each that is not', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        if (chosen(question)) return
        const { firm } = boundsOf(question)
        const hole = POINTS[question.point].holeWanted
        for (const sizeNm of sizesFor(question.point, boundsOf(question))) {
          const off = Math.max(firm.low - sizeNm, hole ? 0 : sizeNm - firm.up)
          if (off > MOST_BEYOND) continue
          for (const thread of question.threads)
            expect([sizeNm, thread.tex, verdictOf({ point: question.point, sizeNm, thread })]).toEqual([
              sizeNm,
              thread.tex,
              'shreds',
            ])
        }
      }),
      { numRuns: 2000 },
    ))

  it('of a twin is one whose gap the plate passes', () => {
    const twin = pointsThat(isTwin)[0]!
    const sizes = (maxWidthMm: number) =>
      sizesFor(twin, { fit, system: HOUSEHOLD_SYSTEM, machine: { needleNm: { min: 60, max: 140 }, maxWidthMm } })
    expect(sizes(0)).toEqual([])
    expect(sizes(7).length).toBeGreaterThan(0)
  })
})
