import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHECK_GROUPS, GROUP_WORDS } from '../knowledge/check/check'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import type { Happening, MachineEvent } from './event'
import { foldMachine } from './fold'
import { anyHistory } from '../testing/histories'
import { faultsShown, openFaults, roomCheckDue, shortly, standingOf, stopsOf, unsound } from './standing'
import type { MachineState } from './state'

const NOW = '2026-11-26T18:00:00.000Z'
const { needle: rules } = DEFAULT_HOUSE_RULES
const looked: Happening = {
  kind: 'check-run',
  body: { list: 'room', steps: [{ step: 'room-cord', group: 'settings', result: 'pass' }] },
}
/** A machine's book, looked over first, its lines an hour apart. */
const folded = (...lines: Happening[]) =>
  foldMachine(
    [looked, ...lines].map((line, index): MachineEvent => ({
      ...line,
      eventId: `line ${index}`,
      happenedAt: new Date(Date.parse('2026-11-26T08:00:00.000Z') + index * 3_600_000).toISOString(),
      personId: 'ada',
    })),
  )
/** What such a book makes of it. */
const after = (...lines: Happening[]) => standingOf(folded(...lines), rules, NOW)
const needle = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' } as const
const needleIn: Happening = { kind: 'needle-changed', body: { in: needle } }
const sewn = (motorMinutes: number): Happening => ({
  kind: 'used',
  body: { use: { load: 'ordinary', motorMinutes }, finishedProject: false },
})
const checked: Happening = {
  kind: 'check-run',
  body: {
    list: 'seat',
    steps: CHECK_GROUPS.map((group) => ({ step: group, group, result: 'pass' as const })),
  },
}
const tagged: Happening = { kind: 'red-tagged', body: { because: 'The belt is torn' } }

describe('a machine', () => {
  it('of which nothing is known is due, because nobody knows its needle', () => {
    const { standing, because, wear } = after()
    expect([standing, because[0], wear]).toEqual(['due', 'No needle is known to be in it', undefined])
  })

  it('with a new needle asks to be checked, and is ready when it was', () => {
    const fresh = after(needleIn)
    expect(fresh.standing).toBe('due')
    expect(fresh.because.join()).toMatch(/^To check: /)
    expect(fresh.wear!.remainingHours).toBe(rules.lifeHours)
    expect(after(needleIn, checked)).toMatchObject({ standing: 'ready', because: [] })
  })

  it('is due again when its needle has sewn the room’s hours, and says how many they were', () => {
    expect(after(needleIn, checked, sewn(60)).standing).toBe('ready')
    const worn = after(needleIn, checked, sewn(rules.lifeHours * 60 + 30))
    expect(worn.standing).toBe('due')
    expect(worn.because[0]).toMatch(/^Needle: .*8/)
    expect(after(needleIn, checked, sewn(rules.lifeHours * 60 + 30), needleIn, checked).standing).toBe('ready')
  })

  it('counts the hours that a part-used needle brought with it', () => {
    const used = { ...needle, condition: 'part-used' as const, effectiveHours: rules.lifeHours - 1 }
    const brought = after({ kind: 'needle-changed', body: { in: used } }, checked, sewn(70))
    expect(brought.wear!.remainingHours).toBeLessThanOrEqual(0)
    expect(brought.standing).toBe('due')
  })

  it('is stopped by a red tag whatever else is well, until the tag comes off', () => {
    expect(after(needleIn, checked, tagged)).toMatchObject({ standing: 'stopped', because: ['The belt is torn'] })
    const lifted: Happening = { kind: 'red-tag-lifted', body: { because: 'New belt' } }
    expect(after(needleIn, checked, tagged, lifted).standing).not.toBe('stopped')
  })

  it('is stopped past the day by which it wanted an electrical test, and not before it', () => {
    const test = (nextDue: string): Happening => ({
      kind: 'electrical-test',
      body: { passed: true, by: 'a licensed technician', nextDue },
    })
    const late = after(needleIn, checked, test('2026-11-25T00:00:00.000Z'))
    expect(late.standing).toBe('stopped')
    expect(late.because[0]).toContain('2026-11-25')
    expect(after(needleIn, checked, test('2027-06-01T00:00:00.000Z')).standing).not.toBe('stopped')
  })
})

describe('a fault that stops nobody', () => {
  const noise: Happening = { kind: 'fault-opened', body: { fault: 'noise', seen: 'Wilma dropped it' } }

  it('is shown to everybody in words of ours, with when the newest was seen, and an electrical one by its stop alone', () =>
    fc.assert(
      fc.property(anyHistory, (history) => {
        const state = foldMachine(history)
        const shown = faultsShown(state)
        const open = state.faults.filter(({ fault }) => fault !== 'electrical')
        expect(shown === undefined).toBe(open.length === 0)
        if (!shown) return
        expect(shown.words).toEqual([...new Set(shown.words)])
        expect(shown.since).toBe(
          open
            .map(({ since }) => since)
            .sort()
            .at(-1),
        )
      }),
    ))
  it('never says to everybody what somebody wrote, and says it to staff', () => {
    const state = folded(noise)
    expect(faultsShown(state)!.words).toEqual(['Fault open: noise'])
    expect(openFaults(state)).toEqual(['Fault open: noise, Wilma dropped it'])
  })
  it('goes before what is merely due', () => {
    expect(after(noise).because[0]).toBe('Fault open: noise, Wilma dropped it')
  })
  it('hides no other where there is room for one thing, and a stop goes before them all', () => {
    const jam: Happening = { kind: 'fault-opened', body: { fault: 'jam' } }
    expect(shortly(after(noise, jam))).toBe('Fault open: noise, Wilma dropped it · Fault open: jam')
    expect(shortly(after(noise, jam, tagged))).toBe('The belt is torn')
    expect(shortly(after())).toBe('No needle is known to be in it')
  })
  it('leaves a machine unsound, as what stops it does', () => {
    expect([unsound(folded(), NOW), unsound(folded(noise), NOW), unsound(folded(noise, tagged), NOW)]).toEqual([
      undefined,
      'fault',
      'stopped',
    ])
  })
})

describe('what is due', () => {
  const HOUR = 3_600_000
  const looked = { care: { roomCheckAt: '2026-11-20T18:00:00.000Z' } } as MachineState
  const later = (hours: number) => new Date(Date.parse('2026-11-20T18:00:00.000Z') + hours * HOUR).toISOString()

  it('is a room check after three days at rest, or twelve hours after the first sewing since the last', () => {
    expect(roomCheckDue(looked, later(72))).toBeUndefined()
    expect(roomCheckDue(looked, later(72.1))).toBe('Room check first: the last one was 3 days ago')
    const used = { care: { ...looked.care, usedSinceRoomCheckAt: later(1) } } as MachineState
    expect(roomCheckDue(used, later(13))).toBeUndefined()
    expect(roomCheckDue(used, later(13.1))).toBe('Room check first: it was used since the last one')
    expect(roomCheckDue({ care: {} } as MachineState, later(0))).toContain('nobody has looked it over yet')
  })

  it('is an electrical test once its day is over wherever the venue stands, and says which day that was', () => {
    for (const nextDue of ['2026-11-20T00:00:00.000Z', '2026-11-20T18:00:00.000Z']) {
      const tested = { locks: [], care: { electricalTest: { nextDue } } } as unknown as MachineState
      // The evening of that day in Hawaii.
      expect(stopsOf(tested, '2026-11-21T09:00:00.000Z')).toEqual([])
      expect(stopsOf(tested, '2026-11-21T12:00:01.000Z')).toEqual([
        'Its electrical safety test was due by 2026-11-20: not until it is tested',
      ])
    }
    expect(stopsOf({ locks: [], care: {} }, later(9_999))).toEqual([])
  })

  it('names what failed once, and not a second time among what is to be checked', () => {
    const failed: Happening = {
      kind: 'check-run',
      body: {
        list: 'seat',
        steps: CHECK_GROUPS.map((group) => ({
          step: group,
          group,
          result: group === 'threading' ? ('fail' as const) : ('pass' as const),
        })),
      },
    }
    const { because } = after(needleIn, failed)
    const words = GROUP_WORDS.threading
    expect(because.join('\n').split(words)).toHaveLength(2)
    expect(because).toContain(`A check failed: ${words}`)
  })

  it('is a step of the room check by its own name', () => {
    const cord: Happening = {
      kind: 'check-run',
      body: { list: 'room', steps: [{ step: 'room-foot', group: 'settings', result: 'fail' }] },
    }
    const { because } = after(needleIn, checked, cord)
    expect(because).toContain('The room check found: foot')
    expect(after(needleIn, checked).because).toEqual([])
  })

  it('is a needle whose age nobody knows, whatever it sewed since', () => {
    const unknown: Happening = { kind: 'needle-changed', body: { in: { ...needle, condition: 'unverified' } } }
    expect(after(unknown, checked, sewn(rules.lifeHours * 60 + 30)).because).toContain(
      'Nobody knows how old its needle is',
    )
  })
})
