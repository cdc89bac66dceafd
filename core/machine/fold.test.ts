import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { STALE_AFTER } from '../knowledge/check/check'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { check } from '../schema/validate'
import { anyHappening, anyHistory } from '../testing/histories'
import { eventBody, type Happening, type MachineEvent } from './event'
import { eventWords } from './event'
import { foldMachine, foldNext, UNSEEN } from './fold'
import { standingOf } from './standing'

let count = 0
const line = (
  happening: Happening | Extract<MachineEvent, { kind: 'correction' }>,
  minute = (count += 1),
): MachineEvent => ({
  ...happening,
  eventId: `01900000-0000-7000-9000-${String((count += 1)).padStart(12, '0')}`,
  happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
  personId: 'p',
})
const correct = (target: MachineEvent, replacement?: Happening) =>
  line({
    kind: 'correction',
    body: { corrects: target.eventId, because: 'a slip', ...(replacement && { replacement }) },
  } as MachineEvent & { kind: 'correction' })
const fitted = (sizeNm: number, out?: 'due' | 'struck'): Happening => ({
  kind: 'needle-changed',
  body: {
    ...(out && { out: { reason: out, state: 'blunt', wentTo: 'sharps' } }),
    in: { system: '130/705 H', point: 'universal', sizeNm, condition: 'new' },
  },
})
const sewn = (hours: number): Happening => ({
  kind: 'used',
  body: { use: { load: 'ordinary', motorMinutes: hours * 60 }, finishedProject: false },
})
const everythingPassed: Happening = {
  kind: 'check-run',
  body: {
    list: 'seat',
    steps: STALE_AFTER['first-look']
      .filter((group) => group !== 'swatch')
      .map((group) => ({ step: group, group, result: 'pass' })),
  },
}
const goodSwatch: Happening = {
  kind: 'swatch-stitched',
  body: { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] },
}
const standing = (events: MachineEvent[]) =>
  standingOf(foldMachine(events), DEFAULT_HOUSE_RULES.needle, '2026-01-02T00:00:00.000Z')

describe('the fold of a random book', () => {
  it('does not depend on the order of arrival, nor on lines sent twice', () =>
    fc.assert(
      fc.property(anyHistory, fc.array(fc.nat()), (events, shuffle) => {
        const keyed = events.map((event, index) => ({ event, key: shuffle[index] ?? index }))
        const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ event }) => event)
        expect(foldMachine([...shuffled, ...shuffled.slice(0, 5)])).toEqual(foldMachine(events))
      }),
      { numRuns: 400 },
    ))

  it('is the same when it grows line by line, late lines and corrections among them', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        let state = UNSEEN
        events.forEach((event, index) => {
          const whole = foldMachine(events.slice(0, index + 1))
          state = foldNext(state, event) ?? whole
          expect(state).toEqual(whole)
        })
      }),
      { numRuns: 300 },
    ))

  it('is told from the state alone where the line is the last and corrects nothing, and from the whole book where not', () => {
    const [early, late] = [line(sewn(1), 1), line(sewn(2), 2)]
    expect(foldNext(foldMachine([early]), late)).toEqual(foldMachine([early, late]))
    expect(foldNext(UNSEEN, early)).toEqual(foldMachine([early]))
    // One that comes late, one that is there already, and one that says what an earlier one was.
    expect(foldNext(foldMachine([late]), early)).toBeUndefined()
    expect(foldNext(foldMachine([early, late]), late)).toBeUndefined()
    expect(foldNext(foldMachine([early]), correct(early, sewn(3)))).toBeUndefined()
  })

  it('leaves no trace of a line that is corrected', () =>
    fc.assert(
      fc.property(anyHistory, anyHappening, fc.integer({ min: 0, max: 30 }), (events, happening, minute) => {
        const slip = { ...line(happening, minute), eventId: '01900000-0000-7000-8000-aaaaaaaaaaaa' }
        const { through: _, ...mended } = foldMachine([...events, slip, correct(slip)])
        const { through: _before, ...before } = foldMachine(events)
        expect(mended).toEqual(before)
      }),
      { numRuns: 300 },
    ))

  it('has words for every line, and a body that fits its schema', () =>
    fc.assert(
      fc.property(anyHappening, (happening) => {
        check(eventBody(happening.kind), happening.body)
        const { title, detail } = eventWords(happening)
        expect(title.length).toBeGreaterThan(2)
        expect(title + detail).not.toMatch(/undefined|NaN|\[object/)
      }),
    ))
})

describe('what a machine is today', () => {
  it('counts the hours of the needle that is in it, and starts again with the next', () => {
    const events = [line(fitted(80)), line(sewn(3)), line(sewn(2))]
    expect(standing(events).wear).toMatchObject({ effectiveHours: 5, remainingHours: 3 })
    expect(standing([...events, line(fitted(80, 'due'))]).wear).toMatchObject({ effectiveHours: 0 })
  })

  it('lets a part-used needle carry its hours on', () => {
    const partUsed: Happening = {
      kind: 'needle-changed',
      body: { in: { system: '130/705 H', point: 'jeans', sizeNm: 90, condition: 'part-used', effectiveHours: 6.5 } },
    }
    expect(standing([line(partUsed), line(sewn(1))]).wear).toMatchObject({ effectiveHours: 7.5, verdict: 'soon' })
  })

  it('is ready only with a known needle, its checks done and a good swatch', () => {
    const events: MachineEvent[] = []
    const after = (happening: Happening) => {
      events.push(line(happening))
      return standing(events)
    }
    expect(standing([]).standing).toBe('due')
    after({
      kind: 'check-run',
      body: { list: 'room', steps: [{ step: 'room-cord', group: 'settings', result: 'pass' }] },
    })
    expect(after(fitted(80)).because.join()).toContain('To check')
    expect(after(everythingPassed).because.join()).toContain('test swatch')
    expect(after(goodSwatch)).toMatchObject({ standing: 'ready', because: [] })
    expect(after(sewn(9))).toMatchObject({
      standing: 'due',
      because: expect.arrayContaining([expect.stringContaining('9 of 8 effective hours')]) as string[],
    })
    expect(after({ kind: 'red-tagged', body: { because: 'a hot motor' } })).toMatchObject({
      standing: 'stopped',
      because: ['a hot motor'],
    })
  })

  it('asks again only for what a change made stale', () => {
    const ready = [line(fitted(80)), line(everythingPassed), line(goodSwatch)]
    const staleAfter = (...more: Happening[]) => foldMachine([...ready, ...more.map((each) => line(each))]).stale
    expect(staleAfter(fitted(80, 'due'))).toEqual(['threading', 'needle', 'no-touch', 'line'])
    expect(staleAfter(fitted(90, 'due'))).toEqual(['threading', 'needle', 'no-touch', 'swatch'])
    const black = { tex: 27, fibre: 'polyester' as const, use: 'all-purpose' as const }
    const first: Happening = { kind: 'set-up', body: { thread: black } }
    expect(staleAfter(first, everythingPassed, goodSwatch, { kind: 'set-up', body: { thread: black } })).toEqual([
      'threading',
      'bobbin',
    ])
    expect(staleAfter(fitted(80, 'struck'))).toEqual([...STALE_AFTER['first-look']])
  })

  it('stays stopped after a broken needle until every piece is found', () => {
    const broke: Happening = { kind: 'needle-broke', body: { piecesFound: false, cause: 'a pin' } }
    const events = [line(fitted(80)), line(broke)]
    expect(standing(events)).toMatchObject({ standing: 'stopped', because: [expect.stringContaining('a pin')] })
    expect(foldMachine(events).fitting).toBeUndefined()
    expect(standing([...events, line({ kind: 'pieces-found', body: {} })]).standing).toBe('due')
  })

  it('takes a correction of a correction as if nothing had been said', () => {
    const needle = line(fitted(80))
    const slip = correct(needle, fitted(90))
    expect(foldMachine([needle, slip]).fitting?.needle.sizeNm).toBe(90)
    expect(foldMachine([needle, slip, correct(slip)]).fitting?.needle.sizeNm).toBe(80)
  })

  it('survives lines that correct each other in a circle', () => {
    const [a, b] = [line(fitted(70)), line(fitted(80))]
    const one = { ...correct(a), eventId: a.eventId.replace(/.$/, 'e') }
    const two = correct(one)
    const circle = { ...one, body: { corrects: two.eventId, because: 'x' } } as MachineEvent
    expect(foldMachine([a, b, circle, two]).fitting?.needle.sizeNm).toBe(80)
  })
})

it('takes a swatch that is as near as the dial comes for good, at the mark that was taken', () => {
  const off = { dial: 3.5, target: 'straight', top: 'dots', under: 'own', done: [] } as const
  const before = foldMachine([line(everythingPassed), line({ kind: 'swatch-stitched', body: { ...off, done: [] } })])
  expect([before.stale.includes('swatch'), before.dial]).toEqual([true, 3.5])
  const near = foldMachine([
    line(everythingPassed),
    line({ kind: 'swatch-stitched', body: { ...off, done: [], asNear: 3 } }),
  ])
  expect([near.stale.includes('swatch'), near.dial, near.lastSwatch?.reading]).toEqual([false, 3, 'as-near'])
})

it('takes no swatch with skipped stitches for good, however even its faces', () => {
  const even = { dial: 4, target: 'straight', top: 'own', under: 'own', done: [] } as const
  const after = (body: object) =>
    foldMachine([line(everythingPassed), line({ kind: 'swatch-stitched', body } as Happening)]).stale.includes('swatch')
  expect([after(even), after({ ...even, signs: ['skipped'] }), after({ ...even, signs: ['wobble'] })]).toEqual([
    false,
    true,
    false,
  ])
})

it('has words for every kind, so that no line of a book is dumb', () =>
  fc.assert(
    fc.property(anyHappening, (happening) => {
      expect(eventWords(happening).title.length).toBeGreaterThan(2)
      expect(JSON.stringify(eventWords(happening))).not.toMatch(/undefined|NaN|\[object/)
    }),
  ))
