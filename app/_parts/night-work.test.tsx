import { renderToStaticMarkup } from 'react-dom/server'
import { expect, it } from 'vitest'
import type { NightRecord } from '@/core/room/night-work'
import { NightlyCopies, UndoneNights } from './night-work'

const NOW = '2027-03-05T12:00:00.000Z'
const told = (...records: readonly NightRecord[]) =>
  renderToStaticMarkup(<UndoneNights records={records} now={NOW} timeZone="UTC" />).replaceAll(/<[^>]*>/g, '')

it('says since when something was not done and why, who can mend it, and what to do until then', () => {
  const words = told({ work: 'copying', doneAt: '2027-03-02T03:10:00.000Z', trouble: 'full' })
  expect(words).toContain('The server has made no copy of its books since Tue 2 Mar, 03:10. Its disk is full.')
  expect(words).toContain('Whoever runs the server can mend this; tell them. Until then take a copy yourself.')
  const never = told({ work: 'erasing', trouble: 'other' }, { work: 'copying', doneAt: '2027-03-05T03:10:00.000Z' })
  expect(never).toContain('Learners whose time is over have not been erased so far. Its own journal says why.')
  expect(never).not.toContain('copy')
  expect(told({ work: 'tidying', doneAt: '2027-02-01T03:00:00.000Z' })).toContain('It has not tried since.')
})

it('is not there while all is well', () => {
  expect(told({ work: 'copying', doneAt: '2027-03-05T03:10:00.000Z' })).toBe('')
  expect(told()).toBe('')
})

it('says where copies are taken whether the server makes any by itself', () => {
  const words = (...records: readonly NightRecord[]) =>
    renderToStaticMarkup(<NightlyCopies records={records} timeZone="UTC" />)
  expect(words({ work: 'copying', doneAt: '2027-03-05T03:10:00.000Z' })).toContain('by itself Fri 5 Mar, 03:10.')
  expect(words()).toContain('makes no copies by itself')
  // One that tries and fails makes none yet: that it is told above why must not be denied here.
  const failing = words({ work: 'copying', trouble: 'full' })
  expect(failing).toContain('has not made a copy by itself yet')
  expect(failing).not.toContain('ask whoever runs it')
})
