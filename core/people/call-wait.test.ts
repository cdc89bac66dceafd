import fc from 'fast-check'
import { expect, it } from 'vitest'
import { waitsTooLong } from './call-wait'

const CALLED = '2027-03-04T18:00:00.000Z'
const after = (seconds: number) => Date.parse(CALLED) + seconds * 1000
const call = { about: 'help', calledAt: CALLED }
const seen = { at: '18:00', by: 'Ada' }

it('a call that is on no screen is told so after three quarters of a minute', () => {
  expect([0, 45, 46, 600].map((waited) => waitsTooLong(call, after(waited)))).toEqual([
    undefined,
    undefined,
    'on-no-screen',
    'on-no-screen',
  ])
})

it('a screen is no eye: where nobody says that they come, the learner is told, and of somebody hurt sooner', () => {
  const help = { ...call, seen }
  expect([46, 180, 181].map((waited) => waitsTooLong(help, after(waited)))).toEqual([
    undefined,
    undefined,
    'nobody-goes',
  ])
  expect([45, 46].map((waited) => waitsTooLong({ ...help, about: 'hurt' }, after(waited)))).toEqual([
    undefined,
    'nobody-goes',
  ])
})

it('whoever is gone to, or is done, waits for nobody; and whoever waits is told something in the end, whatever a screen shows', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('help', 'hurt'),
      fc.option(fc.constant(seen), { nil: undefined }),
      fc.option(fc.constant({}), { nil: undefined }),
      fc.option(fc.constant({}), { nil: undefined }),
      fc.integer({ min: 181, max: 100_000 }),
      (about, onScreen, going, ended, waited) => {
        const said = waitsTooLong({ ...call, about, seen: onScreen, going, ended }, after(waited))
        expect(said === undefined).toBe(going !== undefined || ended !== undefined)
      },
    ),
  ))
