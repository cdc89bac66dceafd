import fc from 'fast-check'
import { expect, it } from 'vitest'
import { anyPlan } from '../testing/plans'
import { anneal } from './anneal'
import { breachesOf } from './breach'
import { PLAN_COSTS } from './plan-question'
import { costed, improve, mostSeats } from './seating'

it('betters a plan or leaves it, with as many seats and no rule broken, and the same way every time', () => {
  let bettered = 0
  fc.assert(
    fc.property(
      anyPlan({ students: 14, machines: 5, blocks: 4, kits: 5 }, { students: 4, machines: 2, blocks: 2, kits: 2 }),
      (question) => {
        const kits = new Map(question.kits.map((kit) => [kit.id, kit]))
        const start = improve(mostSeats(question, kits), question, kits, PLAN_COSTS)
        const found = anneal(start, question, kits, PLAN_COSTS)
        expect(found.minutes).toBeLessThanOrEqual(start.minutes)
        expect(found.seats).toHaveLength(start.seats.length)
        expect(breachesOf(found.seats, question, kits, PLAN_COSTS)).toEqual([])
        expect(found.minutes).toBe(costed(found.seats, question, kits, PLAN_COSTS).minutes)
        expect(anneal(start, question, kits, PLAN_COSTS)).toEqual(found)
        if (found.minutes < start.minutes) bettered += 1
      },
    ),
    { numRuns: 60 },
  )
  expect(bettered).toBeGreaterThan(0)
})
