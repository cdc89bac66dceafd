import fc from 'fast-check'
import { expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import { anneal } from './anneal'
import { breachesOf } from './breach'
import { costed, improve, mostSeats } from './seating'
import { problemOf } from '../session/changeover'

it('betters a plan or leaves it, with as many seats and no rule broken, and the same way every time', () => {
  let bettered = 0
  fc.assert(
    fc.property(
      anyPlan({ students: 14, machines: 5, blocks: 4, kits: 5 }, { students: 4, machines: 2, blocks: 2, kits: 2 }),
      (question) => {
        const start = improve(mostSeats(problemOf(question)), problemOf(question))
        const found = anneal(start, problemOf(question))
        expect(found.minutes).toBeLessThanOrEqual(start.minutes)
        expect(found.seats).toHaveLength(start.seats.length)
        expect(breachesOf(found.seats, problemOf(question))).toEqual([])
        expect(found.minutes).toBe(costed(found.seats, problemOf(question)).minutes)
        expect(anneal(start, problemOf(question))).toEqual(found)
        if (found.minutes < start.minutes) bettered += 1
      },
    ),
    { numRuns: 60 },
  )
  expect(bettered).toBeGreaterThan(0)
})
