import { expect, it } from 'vitest'
import { silentSince } from './meter'

const at = (minute: number) => new Date(Date.UTC(2027, 2, 5, 18, minute)).toISOString()
const used = (minute: number) => ({ kind: 'used', at: at(minute) }) as const
const swatch = (minute: number) => ({ kind: 'swatch-stitched', at: at(minute) }) as const
const turn = (minute: number) => ({ kind: 'turn-ended', at: at(minute) }) as const

it('a meter that tells each stretch is not called silent, though the last swatch and the end of a turn come after it', () => {
  expect(silentSince(at(0), [])).toBeUndefined()
  expect(silentSince(at(0), [used(3), swatch(4), used(6), swatch(7), used(30), swatch(31), turn(32)])).toBeUndefined()
})

it('one that has told nothing while a swatch after the other was sewn is, since what it told last', () => {
  expect(silentSince(at(0), [turn(20), used(3), swatch(4), swatch(9)])).toBe(at(3))
  expect(silentSince(at(2), [swatch(1), swatch(4), swatch(9), turn(20)])).toBe(at(2))
  // What was sewn before it had its key, or by the moment of its last line, says nothing of it.
  expect(silentSince(at(10), [swatch(1), swatch(4), turn(9)])).toBeUndefined()
  expect(silentSince(at(0), [swatch(4), swatch(9), turn(20), used(20)])).toBeUndefined()
})

it('lines that a meter had kept and sends late clear it', () => {
  const lines = [swatch(4), swatch(9), turn(20)]
  expect(silentSince(at(0), lines)).toBe(at(0))
  expect(silentSince(at(0), [...lines, used(8)])).toBeUndefined()
})
