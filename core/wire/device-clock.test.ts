import fc from 'fast-check'
import { expect, it } from 'vitest'
import { byServersClock } from './device-clock'

const NOW = new Date('2027-03-04T18:00:00.000Z')
const by = (ms: number) => new Date(NOW.getTime() + ms).toISOString()

it('a moment is the same whatever the device thinks that the time is, and lies never ahead', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: -400 * 86_400_000, max: 400 * 86_400_000 }),
      fc.integer({ min: 0, max: 86_400_000 }),
      (aheadMs, agoMs) => {
        const { happenedAt } = byServersClock({ happenedAt: by(aheadMs - agoMs), kind: 'cleaned' }, by(aheadMs), NOW)
        const offMs = Date.parse(happenedAt) - (NOW.getTime() - agoMs)
        expect(Math.abs(offMs)).toBeLessThan(30_000)
        // By as much as a clock may be off that counts as right.
        expect(Date.parse(happenedAt)).toBeLessThan(NOW.getTime() + 30_000)
      },
    ),
  ))

it('what a write takes on its way moves nothing, and what has no moment is as it was sent', () => {
  const line = { happenedAt: by(-25_000), kind: 'cleaned' }
  expect(byServersClock(line, by(-20_000), NOW)).toBe(line)
  const call = { machineId: 'x' }
  expect(byServersClock(call, by(3_600_000), NOW)).toBe(call)
})
