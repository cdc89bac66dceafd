import { expect, it } from 'vitest'
import { whereWords } from './live-words'

it('names nobody where nobody is to be named, colleagues neither', () => {
  const going = { at: '2026-03-05T18:20:00.000Z', by: 'Tobias', personId: 'him' }
  const seat = { step: 'sewing', call: { callId: 'x', about: 'help', calledAt: going.at, going } } as const
  expect(whereWords(seat)).toBe('Tobias is going')
  expect(whereWords(seat, false)).toBe('Somebody is going')
})
