import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { UNSEEN } from '../machine/fold'
import type { MachineState } from '../machine/state'
import { anyHistory } from '../testing/histories'
import { foldMachine } from '../machine/fold'
import { careOf } from './care'
import { careCalendar } from './calendar'

const NOW = '2026-03-01T12:00:00.000Z'
const machine = (name: string, care: Partial<MachineState['care']>, traits = {}) => ({
  machineId: name,
  name,
  traits,
  state: {
    ...UNSEEN,
    care: { ...UNSEEN.care, firstAt: '2026-02-01T12:00:00.000Z', roomCheckAt: '2026-03-01T10:00:00.000Z', ...care },
  },
})
const jobs = (entries: readonly { machine: string; due: { job: string } }[]) =>
  entries.map((entry) => `${entry.machine} ${entry.due.job}`)

describe('the calendar of care', () => {
  it('puts what is due under now, with today as its day, the late first', () => {
    const calendar = careCalendar(
      [machine('Avocet', { bobbinsSinceClean: 4 }), machine('Heron', { bobbinsSinceClean: 9 })],
      undefined,
      NOW,
      30,
      'Europe/London',
    )
    expect(jobs(calendar.now)).toEqual(['Heron clean', 'Avocet clean'])
    expect(calendar.now.every(({ on }) => on === '2026-03-01')).toBe(true)
  })

  it('says today where the room stands', () => {
    const todayIn = (timeZone: string, now: string) =>
      careCalendar([machine('Heron', { bobbinsSinceClean: 9 })], undefined, now, 30, timeZone).now[0]?.on
    expect(todayIn('America/Vancouver', '2026-03-02T03:00:00.000Z')).toBe('2026-03-01')
    expect(todayIn('Pacific/Auckland', '2026-03-01T20:00:00.000Z')).toBe('2026-03-02')
  })

  it('puts what has a day on that day, as far ahead as it looks', () => {
    const tested = {
      electricalTest: { at: '2026-02-20T00:00:00.000Z', passed: true, nextDue: '2026-04-01T00:00:00.000Z' },
    }
    const far = careCalendar([machine('Heron', tested)], undefined, NOW, 60, 'Europe/London')
    expect(far.coming.map(({ on, due }) => [on, due.job])).toEqual([['2026-04-01', 'electrical-test']])
    expect(careCalendar([machine('Heron', tested)], undefined, NOW, 20, 'Europe/London').coming).toEqual([])
  })

  it('has each job of each machine at one place at most, and misses none that is due', () =>
    fc.assert(
      fc.property(anyHistory, fc.constantFrom('race-and-arm', 'never', 'ask' as const), (events, oiling) => {
        const one = { machineId: 'x', name: 'X', traits: { oiling }, state: foldMachine(events) } as Parameters<
          typeof careCalendar
        >[0][number]
        const { now, coming, soon } = careCalendar([one], undefined, NOW, 120, 'Europe/London')
        const all = [...jobs(now), ...jobs(coming), ...jobs(soon)]
        expect(new Set(all).size).toBe(all.length)
        const due = careOf(one.state, one.traits, undefined, NOW).filter(
          ({ status }) => status === 'due' || status === 'late',
        )
        expect(jobs(now).sort()).toEqual(due.map(({ job }) => `X ${job}`).sort())
      }),
    ))
})
