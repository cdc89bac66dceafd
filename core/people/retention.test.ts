import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { goesOn, retentionPreview, whoGoes, type Learner } from './retention'

const day = fc
  .date({ min: new Date('2020-01-01'), max: new Date('2030-12-31'), noInvalidDate: true })
  .map((date) => date.toISOString().slice(0, 10))
const anyLearner: fc.Arbitrary<Learner> = fc.record({
  personId: fc.uuid(),
  course: fc.constantFrom('Spring', 'Winter'),
  lastDay: day,
  inForce: fc.boolean(),
})
const learners = fc.array(anyLearner, { maxLength: 20 })
const months = fc.integer({ min: 3, max: 60 })

describe('retention', () => {
  it('counts whole months, to the last day of a short one', () => {
    expect(goesOn({ lastDay: '2026-06-01' }, 9)).toBe('2027-03-01')
    expect(goesOn({ lastDay: '2026-11-30' }, 3)).toBe('2027-02-28')
  })

  it('never takes anybody who is in force, and everybody else only once their day has come', () =>
    fc.assert(
      fc.property(learners, months, day, (people, kept, today) => {
        const gone = new Set(whoGoes(people, kept, today))
        for (const person of people) expect(gone.has(person)).toBe(!person.inForce && goesOn(person, kept) <= today)
      }),
    ))

  it('takes nobody earlier who is kept longer', () =>
    fc.assert(
      fc.property(learners, months, day, (people, kept, today) => {
        const short = new Set(whoGoes(people, kept, today))
        for (const person of whoGoes(people, kept + 1, today)) expect(short.has(person)).toBe(true)
      }),
    ))

  it('shows before what the night will do: as many as go today stand under today', () =>
    fc.assert(
      fc.property(learners, months, day, (people, kept, today) => {
        const preview = retentionPreview(people, kept, today)
        const of = (which: (each: { day: string }) => boolean) =>
          preview.filter(which).reduce((sum, each) => sum + each.learners, 0)
        expect(of(({ day: on }) => on === today)).toBe(whoGoes(people, kept, today).length)
        expect(of(() => true)).toBe(people.filter(({ inForce }) => !inForce).length)
        const days = preview.map(({ day: on }) => on)
        expect(days).toEqual([...days].sort())
      }),
    ))
})
