import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Happening, MachineEvent } from '../machine/event'
import { foldMachine, foldNext } from '../machine/fold'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { anyHistory } from '../testing/histories'
import { ORDINARY_TRAITS } from '../testing/ordinary-machine'
import { afterClass, swatchUnread } from './after-class'

const LATER = '2030-01-01T00:00:00.000Z'
const line = (minute: number, happening: Happening): MachineEvent => ({
  ...happening,
  eventId: `01900000-0000-7000-9000-${String(minute).padStart(12, '0')}`,
  happenedAt: new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString(),
  personId: 'p',
})
const needle = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' } as const
const tasks = (events: MachineEvent[]) =>
  afterClass({ traits: ORDINARY_TRAITS, state: foldMachine(events) }, DEFAULT_HOUSE_RULES, LATER).map(({ id }) => id)

describe('a machine when the class has gone', () => {
  it('is set back where it stands off its baseline, and has a needle that is due put in', () => {
    const baseline = line(1, { kind: 'baseline-set', body: { settings: { dial: 4 } } })
    const fresh = line(2, { kind: 'needle-changed', body: { in: needle } })
    expect(tasks([baseline, fresh, line(3, { kind: 'set-up', body: { dial: 4 } })])).not.toContain('restore')
    expect(tasks([baseline, fresh, line(3, { kind: 'set-up', body: { dial: 6 } })])).toContain('restore')
    const worn = line(4, {
      kind: 'used',
      body: { use: { load: 'ordinary', motorMinutes: 900 }, finishedProject: false },
    })
    expect(tasks([baseline, fresh])).not.toContain('needle')
    expect(tasks([baseline, fresh, worn])).toContain('needle')
  })

  it('wants nothing of the next class: no kit, no seat check; and nothing more once each tap has landed', () =>
    fc.assert(
      fc.property(anyHistory, (history) => {
        let state = foldMachine(history)
        const open = afterClass({ traits: ORDINARY_TRAITS, state }, DEFAULT_HOUSE_RULES, LATER)
        expect(open.every(({ id, event }) => ['restore', 'needle', 'clean'].includes(id) && event !== undefined)).toBe(
          true,
        )
        for (const [index, { event }] of open.entries())
          state = foldNext(state, { ...line(0, event!), eventId: `after-${index}`, happenedAt: LATER }) ?? state
        expect(afterClass({ traits: ORDINARY_TRAITS, state }, DEFAULT_HOUSE_RULES, LATER)).toEqual([])
      }),
    ))

  it('has its swatch unread after another needle, until one is stitched', () => {
    const fitted = foldMachine([line(1, { kind: 'needle-changed', body: { in: needle } })])
    expect(swatchUnread(fitted)).toBe(true)
    expect(swatchUnread(foldMachine([]))).toBe(false)
  })
})
