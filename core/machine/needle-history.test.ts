import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { anyHistory } from '../testing/histories'
import type { MachineEvent } from './event'
import { applyCorrections, foldMachine } from './fold'
import { needlesOf } from './needle-history'
import { wearOfFitting } from './standing'

describe('the needles of a machine', () => {
  it('end with the one that is in it now, with the hours that its wear is judged by', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const state = foldMachine(events)
        const last = needlesOf(state).at(-1)
        const { fitting } = state
        expect(last !== undefined && last.leftAt === undefined).toBe(fitting !== undefined)
        if (!fitting || !last) return
        expect(last).toMatchObject({ needle: fitting.needle, fittedAt: fitting.fittedAt, projects: fitting.projects })
        expect(last.effectiveHours).toBeCloseTo(wearOfFitting(fitting, DEFAULT_HOUSE_RULES.needle).effectiveHours, 9)
      }),
      { numRuns: 400 },
    ))

  it('follow each other without overlapping, and only the last may be in there still', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const stays = needlesOf(foldMachine(events))
        stays.forEach(({ fittedAt, leftAt }, index) => {
          if (leftAt === undefined) return expect(index).toBe(stays.length - 1)
          expect(leftAt >= fittedAt).toBe(true)
          const next = stays[index + 1]
          if (next) expect(next.fittedAt >= leftAt).toBe(true)
        })
      }),
    ))

  it('are the last that its book put in, once what was corrected counts as corrected', () =>
    fc.assert(
      fc.property(anyHistory, (events) => {
        const putIn = applyCorrections(events).flatMap(({ event, happening }) =>
          happening?.kind === 'needle-changed' && happening.body.in ? [event.eventId] : [],
        )
        const remembered = needlesOf(foldMachine(events)).map(({ eventId }) => eventId)
        expect(remembered).toEqual(putIn.slice(putIn.length - remembered.length))
        expect(remembered.length).toBeGreaterThanOrEqual(Math.min(putIn.length, 8))
      }),
    ))

  it('that broke say so, and the one that followed does not', () => {
    const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 18, minute)).toISOString()
    const line = (minute: number, happening: object) => ({
      eventId: `019a0000-0000-7000-8000-0000000000${minute}`,
      happenedAt: at(minute),
      personId: '019a0000-0000-7000-8000-000000000001',
      ...happening,
    })
    const needle = { system: '130/705 H', point: 'jeans', sizeNm: 100, condition: 'part-used', effectiveHours: 2 }
    const events = [
      line(10, { kind: 'needle-changed', body: { in: needle } }),
      line(11, { kind: 'used', body: { use: { load: 'ordinary', motorMinutes: 30 }, finishedProject: true } }),
      line(12, { kind: 'needle-broke', body: { piecesFound: true } }),
      line(13, { kind: 'needle-changed', body: { in: needle } }),
      line(14, {
        kind: 'needle-changed',
        body: { out: { reason: 'due', state: 'blunt', wentTo: 'sharps' }, in: needle },
      }),
    ] as object[] as MachineEvent[]
    expect(needlesOf(foldMachine(events))).toMatchObject([
      { broke: true, leftAt: at(12), effectiveHours: 2.5, projects: 1 },
      { broke: false, leftAt: at(14), effectiveHours: 2, out: { wentTo: 'sharps' } },
      { broke: false, effectiveHours: 2 },
    ])
  })
})
