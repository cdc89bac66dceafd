import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ANSWERS, type Answered } from '../knowledge/tension/answer'
import { EXERCISES, isDueAgain, nextExercise } from './exercises'
import { momentOf } from './moment-of'
import { confusionSentence, confusionsOf, needOf, sharedConfusions, sharedSentence } from './confusion'

const nest = (said: Answered['said']): Answered => ({ shown: 'threading', said })
const anyAnswers = fc.array(fc.record({ shown: fc.constantFrom(...ANSWERS), said: fc.constantFrom(...ANSWERS) }), {
  maxLength: 40,
})

describe('what somebody confuses', () => {
  it('is told as a sentence, once it is more than a slip', () => {
    expect(confusionsOf([nest('too-loose'), nest('threading')])).toEqual([])
    const [worst] = confusionsOf([nest('too-loose'), nest('threading'), nest('too-loose')])
    expect(confusionSentence('Ida', worst!)).toBe(
      'Ida takes bad threading for a top thread that pulls too little: 2 of the last 3.',
    )
  })

  it('is forgotten once it is told apart', () => {
    const early = [nest('too-loose'), nest('too-loose'), nest('too-loose')]
    expect(confusionsOf([...early, ...Array.from({ length: 6 }, () => nest('threading'))])).toEqual([])
  })

  it('is never something that was told rightly, and raises how much is needed of both sides', () =>
    fc.assert(
      fc.property(anyAnswers, (answers) => {
        for (const { shown, said, times, of } of confusionsOf(answers)) {
          expect(shown).not.toBe(said)
          expect(times).toBeLessThanOrEqual(of)
          expect(needOf(answers, shown)).toBeGreaterThan(1)
          expect(needOf(answers, said)).toBeGreaterThan(1)
        }
        for (const thing of ANSWERS) expect(needOf(answers, thing)).toBeGreaterThanOrEqual(1)
      }),
    ))

  it('is said of a room where several do', () => {
    const mixes = [nest('too-loose'), nest('too-loose')]
    const tells = [nest('threading')]
    expect(sharedConfusions([mixes, tells])).toEqual([])
    expect(sharedConfusions([mixes, mixes, tells, []]).map(sharedSentence)).toEqual([
      '2 of 3 take bad threading for a top thread that pulls too little.',
    ])
    expect(sharedConfusions([mixes, mixes]).map(sharedSentence)).toEqual([
      'Both take bad threading for a top thread that pulls too little.',
    ])
  })
})

describe('what comes next', () => {
  const done = (ids: readonly string[], againAt = '2026-02-01T00:00:00.000Z') =>
    Object.fromEntries(ids.map((id) => [id, { best: 1, againAt }]))
  const ids = EXERCISES.map(({ id }) => id)

  it('is what is due once more, and else the first that is not done', () =>
    fc.assert(
      fc.property(fc.subarray(ids), fc.boolean(), (passed, late) => {
        const now = late ? '2026-03-01T00:00:00.000Z' : '2026-01-01T00:00:00.000Z'
        const next = nextExercise(done(passed), now)?.id
        const left = ids.filter((each) => !passed.includes(each))
        if (late && passed.length > 0) expect(isDueAgain(done(passed)[next!], now)).toBe(true)
        else expect(next).toBe(left[0])
      }),
    ))

  it('is one of exercises with names of their own, and the lesson shows whatever can be mixed up by eye', () => {
    expect(new Set(ids).size).toBe(ids.length)
    for (const shown of ANSWERS) if (shown !== 'cloth') expect(momentOf({ shown })).toBeDefined()
  })
})
