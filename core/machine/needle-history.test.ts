import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '../schema/house-rules'
import { anyHistory } from '../testing/histories'
import { foldMachine } from './fold'
import { needleHistory } from './needle-history'
import { wearOfFitting } from './standing'

describe('the needles of a book', () => {
  it('end with the one that is in the machine now, with the hours that the fold says', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const stays = needleHistory(events)
        const { fitting } = foldMachine(events)
        const last = stays.at(-1)
        expect(last?.leftAt === undefined && last !== undefined).toBe(fitting !== undefined)
        if (!fitting || !last) return
        expect(last).toMatchObject({ needle: fitting.needle, fittedAt: fitting.fittedAt, projects: fitting.projects })
        expect(last.effectiveHours).toBeCloseTo(wearOfFitting(fitting, DEFAULT_HOUSE_RULES.needle).effectiveHours, 9)
      }),
      { numRuns: 400 },
    ))

  it('follow each other without overlapping, and only the last may be in there still', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const stays = needleHistory(events)
        stays.forEach(({ fittedAt, leftAt }, index) => {
          if (leftAt === undefined) return expect(index).toBe(stays.length - 1)
          expect(leftAt >= fittedAt).toBe(true)
          const next = stays[index + 1]
          if (next) expect(next.fittedAt >= leftAt).toBe(true)
        })
      }),
    ))
})
