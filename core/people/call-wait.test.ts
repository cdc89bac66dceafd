import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { afterAnother, waitsTooLong } from './call-wait'

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

it('whoever is gone to waits for somebody who may have been kept', () => {
  const going = { at: CALLED }
  const said = (about: string, seconds: number) => waitsTooLong({ ...call, about, seen, going }, after(seconds))
  expect([said('help', 180), said('help', 181), said('hurt', 45), said('hurt', 46)]).toEqual([
    undefined,
    'not-come',
    undefined,
    'not-come',
  ])
})

it('whoever waits is told something in the end, whatever a screen shows and whoever has said that they come', () =>
  fc.assert(
    fc.property(
      fc.constantFrom('help', 'hurt'),
      fc.option(fc.constant(seen), { nil: undefined }),
      fc.option(fc.integer({ min: 0, max: 10_000 }), { nil: undefined }),
      fc.option(fc.constant({}), { nil: undefined }),
      fc.integer({ min: 181, max: 100_000 }),
      (about, onScreen, went, ended, more) => {
        const going = went === undefined ? undefined : { at: new Date(after(went)).toISOString() }
        const said = waitsTooLong({ ...call, about, seen: onScreen, going, ended }, after((went ?? 0) + more))
        expect(said === undefined).toBe(ended !== undefined)
      },
    ),
  ))

describe('whoever calls again', () => {
  const open = { machineId: 'one', calledAt: CALLED, seen }
  const later = (
    seconds: number,
    here: Parameters<typeof afterAnother>[1],
    before: Partial<typeof here & { going: { at: string } }> = {},
  ) => afterAnother({ ...open, about: 'help', ...before }, here, after(seconds))
  const help = { about: 'help', machineId: 'one' } as const
  const going = { at: new Date(after(60)).toISOString() }

  it('is one call as long as that may be answered, and has called anew once somebody should have come', () => {
    expect([later(1000, help), later(240, help, { going }), later(241, help, { going })]).toEqual([
      'goes-on',
      'goes-on',
      'anew',
    ])
    const hurt = { about: 'hurt', machineId: 'one' } as const
    expect([later(100, hurt, { about: 'hurt', going }), later(106, hurt, { about: 'hurt', going })]).toEqual([
      'goes-on',
      'anew',
    ])
    expect([later(100, hurt), later(100, help, { about: 'hurt' })]).toEqual(['beside', 'beside'])
  })

  it('from another seat has left the first; of somebody hurt both stand', () => {
    const elsewhere = { ...help, machineId: 'two' }
    expect([
      later(9, elsewhere),
      later(9, elsewhere, { going }),
      later(9, elsewhere, { about: 'visit', going }),
    ]).toEqual(['anew', 'anew', 'anew'])
    const hurt = { about: 'hurt', machineId: 'two' } as const
    expect([later(9, hurt), later(9, hurt, { about: 'hurt', going })]).toEqual(['beside', 'beside'])
  })

  it('is visited as who called, however long somebody has been on their way', () => {
    const visit = { about: 'visit', machineId: 'one' } as const
    expect([later(999, visit, { going }), later(999, visit, { about: 'hurt', going })]).toEqual(['goes-on', 'goes-on'])
    const elsewhere = { ...visit, machineId: 'two' }
    expect([later(9, elsewhere), later(9, elsewhere, { about: 'hurt' })]).toEqual(['anew', 'beside'])
  })

  it('waits by no call of a day that is over', () => {
    const hour = 3600
    expect([later(6 * hour, help), later(6 * hour + 1, help)]).toEqual(['goes-on', 'lapsed'])
  })

  it('is never told that somebody comes who has long said so: each call wakes the screens of staff, or may still be answered', () =>
    fc.assert(
      fc.property(
        fc.constantFrom('help', 'hurt', 'visit'),
        fc.constantFrom('help', 'hurt'),
        fc.constantFrom('one', 'two'),
        fc.option(fc.integer({ min: 0, max: 10_000 }), { nil: undefined }),
        fc.integer({ min: 0, max: 30_000 }),
        (about, again, machineId, went, more) => {
          const by = went === undefined ? {} : { going: { at: new Date(after(went)).toISOString() } }
          const now = after((went ?? 0) + more)
          const before = { ...open, about, ...by }
          if (afterAnother(before, { about: again, machineId }, now) !== 'goes-on') return
          expect(machineId).toBe('one')
          expect(waitsTooLong(before, now)).not.toBe('not-come')
        },
      ),
    ))
})
