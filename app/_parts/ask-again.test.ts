import { expect, it } from 'vitest'
import { LOOK_MS, pauseAfterFailing, SELDOM_MS } from './ask-again'

it('a page that fails although all is there is asked for more and more seldom, and no more seldom than that', () => {
  const pauses = [LOOK_MS]
  for (let tries = 0; tries < 8; tries += 1) pauses.push(pauseAfterFailing(pauses.at(-1)!, 2_000))
  expect(pauses.slice(0, 4)).toEqual([5_000, 10_000, 20_000, 40_000])
  expect(pauses.slice(-2)).toEqual([SELDOM_MS, SELDOM_MS])
})

it('whoever taps while the database is away makes nobody wait longer, and an hour later it begins anew', () => {
  expect(pauseAfterFailing(LOOK_MS, Infinity)).toBe(LOOK_MS)
  expect(pauseAfterFailing(SELDOM_MS, 3_600_000)).toBe(LOOK_MS)
})
