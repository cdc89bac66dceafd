import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { LiveSeat } from './live-room'
import { besidesFirst, goingBesides, instructorsRound, type RoundFacts } from './round'
import { SEAT_STEPS } from './seat-step'

const NOW = '2026-03-05T18:30:00.000Z'
const ago = (minutes: number) => new Date(Date.parse(NOW) - minutes * 60_000).toISOString()
const seat = (who: string, more: Partial<LiveSeat> = {}): LiveSeat => ({
  projectId: who,
  personId: who,
  who,
  what: 'a bag',
  machineId: who,
  machine: who,
  number: 1,
  from: ago(30),
  step: 'sewing',
  since: ago(5),
  ...more,
})
const call = (about: 'help' | 'hurt' | 'visit', minutes: number, by?: string): NonNullable<LiveSeat['call']> => ({
  callId: 'x',
  about,
  calledAt: ago(minutes),
  ...(by && { going: { at: NOW, by, personId: by } }),
})
const nothing: RoundFacts = { firstHere: false }
const order = (seats: readonly LiveSeat[], facts: Readonly<Record<string, RoundFacts>> = {}) =>
  instructorsRound(seats, ({ projectId }) => facts[projectId] ?? nothing, 'me', NOW).map(({ seat: { who } }) => who)

describe('whom to go to next', () => {
  it('is who is hurt, then who has called longest, then whose machine is stopped, then who waits', () => {
    expect(
      order([
        seat('slow', { step: 'check', since: ago(25) }),
        seat('stopped', { stopped: 'red tag' }),
        seat('calls', { call: call('help', 2) }),
        seat('called before', { call: call('help', 9) }),
        seat('hurt', { call: call('hurt', 0) }),
        seat('well'),
      ]),
    ).toEqual(['hurt', 'called before', 'calls', 'stopped', 'slow'])
  })

  it('is nobody to whom a colleague goes already, and still whoever I go to', () => {
    expect(
      order([seat('theirs', { call: call('help', 9, 'colleague') }), seat('mine', { call: call('help', 1, 'me') })]),
    ).toEqual(['mine'])
  })

  it('is, after a while, also whom a colleague went to: they may have been kept, and whoever visits does not always say when they are done', () => {
    const since = (about: 'help' | 'visit', minutes: number) => ({
      call: { ...call(about, 40), going: { at: ago(minutes), by: 'Tobias', personId: 'tobias' } },
    })
    const seats = [seat('just now', since('help', 20)), seat('long ago', since('help', 21))]
    expect(instructorsRound(seats, () => nothing, 'me', NOW).map(({ because }) => because)).toEqual([
      ['Calls for 40 minutes', 'Tobias set off 21 minutes ago'],
    ])
    const [visited] = instructorsRound(
      [seat('visited', since('visit', 21))],
      () => ({ ...nothing, firstHere: true }),
      'me',
      NOW,
    )
    expect(visited!.because).toEqual(['First time on this machine'])
    expect(instructorsRound([seat('visited', since('visit', 21))], () => nothing, 'me', NOW)).toEqual([])
  })

  it('does not say of whom I visit unasked that they call', () => {
    const [stop] = instructorsRound([seat('visited', { call: call('visit', 3, 'me') })], () => nothing, 'me', NOW)
    expect(stop!.because).toEqual(['You set off 3 minutes ago'])
  })

  it('is, unasked, who sits at it for the first time, has a hard cloth, or could be signed off', () => {
    const facts = {
      first: { firstHere: true },
      hard: { firstHere: false, hard: 'every hole stays' },
      ready: { firstHere: false, signOff: 'the dial' },
    }
    expect(order([seat('ready'), seat('hard'), seat('first'), seat('well')], facts)).toEqual(['first', 'hard', 'ready'])
  })

  it('is whose machine somebody has just seen a fault at, until one of staff has been with them', () => {
    const faults = (minutes: number) => ({ words: ['Fault open: noise'], since: ago(minutes) })
    const first = { first: { firstHere: true } }
    const [next] = instructorsRound([seat('first'), seat('noisy', { faults: faults(3) })], () => nothing, 'me', NOW)
    expect(next).toMatchObject({ seat: { who: 'noisy' }, because: ['Fault open: noise'] })
    expect(order([seat('first'), seat('noisy', { faults: faults(3) })], first)).toEqual(['noisy', 'first'])
    // It was there before they sat down: whoever seated them knew.
    expect(order([seat('first'), seat('old', { faults: faults(31) })], first)).toEqual(['first', 'old'])
    // Visited since; and visited before, which is no rest from what is new.
    const visited = (minutes: number) => ({ noisy: { firstHere: false, visitedAt: ago(minutes) } })
    expect(order([seat('noisy', { faults: faults(8) })], visited(4))).toEqual([])
    expect(order([seat('noisy', { faults: faults(2) })], visited(4))).toEqual(['noisy'])
    expect(order([seat('first'), seat('noisy', { faults: faults(15) })], { ...first, ...visited(12) })).toEqual([
      'first',
      'noisy',
    ])
  })

  it('is not whoever was just visited, unless they call', () => {
    const visited = { first: { firstHere: true, visitedAt: ago(4) } }
    expect(order([seat('first')], visited)).toEqual([])
    expect(order([seat('first', { call: call('help', 0) })], visited)).toEqual(['first'])
    expect(order([seat('first')], { first: { firstHere: true, visitedAt: ago(12) } })).toEqual(['first'])
  })

  it('always says why, for anybody: who is hurt comes before all others, who calls before all who do not', () => {
    const anySeat = fc.record({
      step: fc.constantFrom(...SEAT_STEPS),
      since: fc.integer({ min: 0, max: 240 }).map(ago),
      stopped: fc.option(fc.constant('a red tag'), { nil: undefined }),
      about: fc.option(fc.constantFrom('help' as const, 'hurt' as const), { nil: undefined }),
      waits: fc.integer({ min: 0, max: 180 }),
      facts: fc.record({ firstHere: fc.boolean(), hard: fc.option(fc.constant('film'), { nil: undefined }) }),
    })
    fc.assert(
      fc.property(fc.array(anySeat, { maxLength: 12 }), (many) => {
        const seats = many.map(({ about, waits, stopped, ...rest }, index) =>
          seat(String(index), { ...rest, ...(stopped && { stopped }), ...(about && { call: call(about, waits) }) }),
        )
        const round = instructorsRound(
          seats,
          ({ projectId }) => ({ firstHere: many[Number(projectId)]!.facts.firstHere }),
          'me',
          NOW,
        )
        for (const { because } of round) expect(because.length).toBeGreaterThan(0)
        const rank = round.map(({ seat: { call: calls } }) => (calls?.about === 'hurt' ? 0 : calls ? 1 : 2))
        expect(rank).toEqual([...rank].sort())
        expect(rank.filter((each) => each < 2)).toHaveLength(many.filter(({ about }) => about).length)
      }),
    )
  })
})

describe('a call that no seat shows', () => {
  const besides = (who: string, ...of: Parameters<typeof call>) => ({ ...call(...of), callId: who, who })
  const first = (calls: readonly ReturnType<typeof besides>[], seats: readonly LiveSeat[]) =>
    besidesFirst(calls, instructorsRound(seats, () => ({ ...nothing, firstHere: true }), 'me', NOW)[0], NOW).map(
      ({ who }) => who,
    )

  it('is where I am while I am on the way there, and no longer than anybody is taken to be', () => {
    const since = (minutes: number, personId: string) => ({
      ...besides('at the table', 'help', 40),
      going: { at: ago(minutes), by: personId, personId },
    })
    expect(goingBesides([since(3, 'colleague'), since(20, 'me')], 'me', NOW)?.going?.personId).toBe('me')
    expect(goingBesides([since(21, 'me'), since(3, 'colleague')], 'me', NOW)).toBeUndefined()
    expect(goingBesides([besides('nobody goes', 'hurt', 1)], 'me', NOW)).toBeUndefined()
  })

  it('goes before whoever does not call, who is hurt before all others, and nobody is asked twice to go', () => {
    const iron = besides('hurt at the iron', 'hurt', 1)
    const table = besides('at the table', 'help', 5)
    const theirs = besides('with a colleague', 'help', 9, 'colleague')
    const all = [iron, theirs, table]
    expect(first(all, [])).toEqual(['hurt at the iron', 'at the table'])
    expect(first(all, [seat('new here')])).toEqual(['hurt at the iron', 'at the table'])
    expect(first(all, [seat('calls', { call: call('help', 3) })])).toEqual(['hurt at the iron', 'at the table'])
    expect(first(all, [seat('called before', { call: call('help', 7) })])).toEqual(['hurt at the iron'])
    expect(first(all, [seat('hurt', { call: call('hurt', 4) })])).toEqual([])
  })
})
