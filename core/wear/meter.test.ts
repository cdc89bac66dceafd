import { expect, it } from 'vitest'
import { sewn, silentSince, timeTold, type MeterCounts } from './meter'

const at = (minute: number) => new Date(Date.UTC(2027, 2, 5, 18, minute)).toISOString()
const used = (minute: number) => (counts: MeterCounts) => timeTold(counts, at(minute))
const swatch = (minute: number) => (counts: MeterCounts) => sewn(counts, at(minute))
/** What a book comes to whose lines stand in this order. */
const silent = (since: number, ...lines: readonly ReturnType<typeof used>[]) =>
  silentSince(
    at(since),
    lines.reduce<MeterCounts>((counts, line) => line(counts), {}),
  )

it('a meter that tells each stretch is not called silent, though the last swatch and the end of a turn come after it', () => {
  expect(silent(0)).toBeUndefined()
  expect(silent(0, used(3), swatch(4), used(6), swatch(7), used(30), swatch(31), swatch(32))).toBeUndefined()
})

it('one that has told nothing while a swatch after the other was sewn is, since what it told last', () => {
  expect(silent(0, used(3), swatch(4), swatch(9), swatch(20))).toBe(at(3))
  expect(silent(0, used(3), ...[4, 9, 20, 30, 40].map(swatch))).toBe(at(3))
  expect(silent(2, swatch(1), swatch(4), swatch(9), swatch(20))).toBe(at(2))
})

it('a book of years keeps no more of it than says so', () => {
  const { sewnSinceTold } = Array.from({ length: 50 }, (_, minute) => swatch(minute)).reduce<MeterCounts>(
    (counts, line) => line(counts),
    {},
  )
  expect(sewnSinceTold).toEqual([at(47), at(48), at(49)])
})

it('what was sewn before it had its key, or told since, says nothing of it', () => {
  expect(silent(10, swatch(1), swatch(4), swatch(9), swatch(20), swatch(30))).toBeUndefined()
  expect(silent(10, used(1), swatch(12), swatch(13), swatch(14))).toBe(at(10))
  expect(silent(0, swatch(4), swatch(9), swatch(20), used(20))).toBeUndefined()
})
