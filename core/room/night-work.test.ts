import { expect, it } from 'vitest'
import { NIGHT_WORKS, troubleOf, undoneWork, type NightRecord } from './night-work'

const NOW = '2027-03-05T12:00:00.000Z'
const ago = (hours: number) => new Date(Date.parse(NOW) - hours * 3_600_000).toISOString()
const copied = (hours: number, more: Partial<NightRecord> = {}): NightRecord => ({
  work: 'copying',
  doneAt: ago(hours),
  ...more,
})

it('is undone once a whole night and half a day went by without it, whatever the last try was', () => {
  expect(undoneWork([copied(9), copied(35.9), copied(20, { trouble: 'full' })], NOW)).toEqual([])
  const late = [copied(36.1), copied(400, { trouble: 'full' })]
  expect(undoneWork(late, NOW)).toEqual(late)
  const never: NightRecord = { work: 'erasing', trouble: 'other' }
  expect(undoneWork([copied(1), never], NOW)).toEqual([never])
})

it('troubles nobody with what this server never promised', () => {
  expect(undoneWork([], NOW)).toEqual([])
})

it('what a system says by a code is told by what it means, and all else is for the journal', () => {
  const copying = ['ENOSPC', 'EACCES', 'EROFS', 'ENOENT', 'ECONNREFUSED'].map((code) => troubleOf('copying', code))
  expect(copying).toEqual(['full', 'barred', 'barred', 'missing', 'away'])
  const letters = ['ECONNREFUSED', 'ETIMEDOUT', 'ESOCKET', 'EAUTH'].map((code) => troubleOf('letters', code))
  expect(letters).toEqual(['unanswered', 'unanswered', 'unanswered', 'turned-away'])
  for (const work of NIGHT_WORKS)
    for (const code of ['42P01', 'toString', undefined, 7]) expect(troubleOf(work, code)).toBe('other')
})
