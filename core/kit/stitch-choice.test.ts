import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { KNOWLEDGE } from '../knowledge/knowledge'
import { STITCHES } from '../knowledge/stitch/stitch'
import { firstThatHolds } from '../schema/rule'
import { anyMachine, anyRequest } from '../testing/arbitraries'
import type { LengthMarks } from '../units/length-marks'
import { kitQuestion } from './facts'
import { chooseStitch, type StitchChoice } from './stitch-choice'

/** Machines of every reach, those too that make long stitches only, and dials that bear marks. Lengths in mm. */
const anyReach = fc
  .tuple(fc.constantFrom(0, 0.5, 1, 2, 3.5), fc.constantFrom(0, 0.4, 1, 2, 5))
  .map(([min, span]) => ({ min, max: min + span }))
const anyMarks = fc.constantFrom<LengthMarks | undefined>(
  undefined,
  { lowest: 1, highest: 4, step: 1, mmAtLowest: 1, mmAtHighest: 4 },
  { lowest: 6, highest: 30, step: 6, mmAtLowest: 4, mmAtHighest: 1 },
)
const anyQuestion = fc
  .tuple(anyRequest, anyMachine, anyReach, anyMarks, fc.boolean(), fc.subarray([...STITCHES], { maxLength: 2 }))
  .map(([request, machine, lengthMm, lengthMarks, isKnown, without]) => {
    const known = isKnown ? { ...machine, lengthMm, ...(lengthMarks && { lengthMarks }) } : undefined
    const { machine: _, ...rest } = request
    const question = kitQuestion({ ...rest, ...(known && { machine: known }) }, KNOWLEDGE)
    const wish = firstThatHolds(KNOWLEDGE.stitchWishes, question.facts).give
    const length = firstThatHolds(KNOWLEDGE.lengthWishes, question.facts).give
    const maxWidthMm = known?.maxWidthMm ?? 5
    return {
      ...{ question, machine: known, without, wish, length, maxWidthMm },
      narrow: wish.widthMm === 'widest' ? 2 : wish.widthMm[0],
      reach: known?.lengthMm ?? { min: 0, max: Infinity },
      there: wish.of.filter((stitch) => !without.includes(stitch) && (!known || known.stitches.includes(stitch))),
    }
  })
type Question = typeof anyQuestion extends fc.Arbitrary<infer Of> ? Of : never

const refused = (question: Question): string[] => {
  const answer = chooseStitch(question.question, question.machine, question.without)
  return 'refusals' in answer ? answer.refusals.map(({ limit }) => limit) : []
}
const always = (law: (question: Question, choice: StitchChoice) => void) =>
  fc.assert(
    fc.property(anyQuestion, (question) => {
      const choice = chooseStitch(question.question, question.machine, question.without)
      if (!('refusals' in choice)) law(question, choice)
    }),
    { numRuns: 600 },
  )

describe('the stitch of a kit', () => {
  it('is refused exactly where the machine has none that does, none wide enough, or makes holes that spoil the work', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { there, narrow, maxWidthMm, length, reach } = question
        const tooNarrow = there.length > 0 && !there.includes('straight') && maxWidthMm < narrow
        const spoils =
          length.essentialMm !== undefined && (reach.max < length.essentialMm || reach.min > length.lengthMm[1])
        expect(refused(question)).toEqual(
          there.length === 0 ? ['stitch'] : [...(tooNarrow ? ['width'] : []), ...(spoils ? ['length'] : [])],
        )
      }),
      { numRuns: 600 },
    ))

  it('is refused with the number that is wanted and the one that the machine has, on the side where it fails', () =>
    fc.assert(
      fc.property(anyQuestion, (question) => {
        const { machine, narrow, length, reach, wish } = question
        const answer = chooseStitch(question.question, machine, question.without)
        for (const { limit, value, allowed, because } of 'refusals' in answer ? answer.refusals : []) {
          if (limit === 'width') expect([value, allowed]).toEqual([narrow, machine?.maxWidthMm ?? 5])
          if (limit === 'length') {
            const [low, high] = length.lengthMm
            expect([value, allowed]).toEqual(reach.max < low ? [low, reach.max] : [high, reach.min])
            expect(allowed < value).toBe(reach.max < low)
          }
          if (limit !== 'stitch') continue
          expect([value, allowed]).toEqual([
            wish.of.map((each) => each.replaceAll('-', ' ')).join(' or '),
            machine?.stitches ?? [],
          ])
          expect(because).toContain(
            `machine has ${machine?.stitches.map((each) => each.replaceAll('-', ' ')).join(', ') ?? 'none'}`,
          )
        }
      }),
      { numRuns: 300 },
    ))

  it('is the first of those wished for that is there and wide enough, as wide as wished or as the machine goes', () =>
    always(({ there, narrow, maxWidthMm, wish }, { stitch }) => {
      expect(stitch.of).toBe(there.find((each) => each === 'straight' || maxWidthMm >= narrow))
      const wide =
        wish.widthMm === 'widest' ? maxWidthMm : Math.min((wish.widthMm[0] + wish.widthMm[1]) / 2, maxWidthMm)
      expect([stitch.iso, stitch.widthMm]).toEqual(stitch.of === 'straight' ? ['301', 0] : ['304', wide])
      const bearsName = stitch.of !== 'straight' || wish.of[0] === 'straight'
      expect(stitch.name).toBe(bearsName ? wish.name : undefined)
    }))

  it('is as long as wished, within the machine’s reach; where its dial bears marks, at one of them', () =>
    always(({ length, reach, machine }, { stitch }) => {
      const [low, high] = length.lengthMm
      const wanted = Math.min(Math.max(length.startMm ?? (low + high) / 2, reach.min), reach.max)
      expect(stitch.lengthMm).toBeGreaterThanOrEqual(reach.min)
      expect(stitch.lengthMm).toBeLessThanOrEqual(reach.max)
      expect(stitch.lengthMark !== undefined).toBe(machine?.lengthMarks !== undefined)
      if (!machine?.lengthMarks) return void expect(stitch.lengthMm).toBe(wanted)
      // No mark lies nearer.
      const { lowest, highest, step, mmAtLowest, mmAtHighest } = machine.lengthMarks
      const madeAt = (mark: number) => mmAtLowest + ((mark - lowest) / (highest - lowest)) * (mmAtHighest - mmAtLowest)
      const marked = madeAt(stitch.lengthMark!)
      expect(stitch.lengthMm).toBeCloseTo(Math.min(Math.max(marked, reach.min), reach.max), 1)
      for (let mark = lowest; mark <= highest; mark += step)
        expect(Math.abs(marked - wanted)).toBeLessThanOrEqual(Math.abs(madeAt(mark) - wanted) + 1e-9)
    }))

  it('costs something exactly where its length is out of reach or it does the job poorly, and the words fit the numbers', () =>
    always(({ length, reach, wish }, { stitch, marginal, because }) => {
      const [low, high] = length.lengthMm
      const outOfReach = reach.max < low || reach.min > high
      expect(marginal).toBe(outOfReach || wish.poor?.includes(stitch.of) === true)
      const wanted = length.startMm ?? (low + high) / 2
      const isFitted = wanted < reach.min || wanted > reach.max
      expect(/This machine reaches/.test(because)).toBe(isFitted)
      expect(/The middle is/.test(because)).toBe(!isFitted && low !== high && length.startMm === undefined)
      const inch = Number(/(\d+) to the inch/.exec(because)?.[1] ?? Number.NaN)
      if (!isFitted)
        expect(Math.abs(inch - (stitch.lengthMm > 0 ? 25.4 / stitch.lengthMm : 0))).toBeLessThanOrEqual(0.5)
      expect(/On this machine’s length dial/.test(because)).toBe(stitch.lengthMark !== undefined)
    }))

  it('is said to stand in for the wished one only where it does', () =>
    always(({ wish }, { stitch, because }) => {
      for (const [of, words] of Object.entries(wish.otherwise ?? {}) as [typeof stitch.of, string][])
        if (!words.includes('{')) expect(because.includes(words)).toBe(stitch.of === of && of !== wish.of[0])
    }))
})
