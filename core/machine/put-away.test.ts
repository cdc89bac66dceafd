import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyHappening, anyHistory } from '../testing/histories'
import { STALE_AFTER } from '../knowledge/check/check'
import { foldMachine } from './fold'
import { cannotHappen } from './put-away'

const PUT_AWAY = { eventId: '00000000-0000-7000-8000-0000000000aa', personId: '00000000-0000-7000-8000-0000000000ab' }
const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 19, minute)).toISOString()
const away = { ...PUT_AWAY, kind: 'put-away' as const, body: { because: 'lent' }, happenedAt: at(0) }
const first = { ...PUT_AWAY, eventId: '00000000-0000-7000-8000-0000000000ac', happenedAt: '2025-12-01T10:00:00.000Z' }
const begun = { ...first, kind: 'noted' as const, body: { text: 'it came' } }
const back = { ...PUT_AWAY, eventId: PUT_AWAY.personId, kind: 'taken-out' as const, body: {}, happenedAt: at(1) }

describe('a machine that is put away', () => {
  it('keeps everything else that is known of it, and is looked over anew when it comes back', () =>
    fc.assert(
      fc.property(anyHistory, (history) => {
        const { putAway, through, ...rest } = foldMachine([begun, ...history, away])
        const { putAway: _, through: before, ...was } = foldMachine([begun, ...history])
        expect(rest).toEqual(was)
        expect(putAway).toEqual({ since: at(0), eventId: away.eventId, because: 'lent' })
        expect(through?.happenedAt).not.toBe(before?.happenedAt)
        const again = foldMachine([begun, ...history, away, back])
        expect(again.putAway).toBeUndefined()
        expect(again.stale).toEqual(STALE_AFTER['first-look'])
        expect(again.locks).toEqual(was.locks)
      }),
    ))

  it('lets nothing happen at it but what corrects its book or brings it back', () =>
    fc.assert(
      fc.property(anyHappening, ({ kind }) => {
        const { putAway } = foldMachine([away])
        const barred = cannotHappen({ putAway: putAway! }, { kind, happenedAt: at(5) })
        expect(barred === undefined).toBe(kind === 'taken-out' || kind === 'redacted')
        if (kind !== 'put-away')
          expect(cannotHappen({ putAway: putAway! }, { kind, happenedAt: '2025-12-31T10:00:00.000Z' })).toBeUndefined()
        expect(cannotHappen({}, { kind, happenedAt: at(5) })).toBeUndefined()
      }),
    ))

  it('says why, to the day, from the very moment on', () => {
    const { putAway } = foldMachine([away])
    const said = (kind: 'noted' | 'put-away', happenedAt: string) =>
      cannotHappen({ putAway: putAway! }, { kind, happenedAt })
    expect(said('put-away', at(5))).toBe('It is put away already')
    expect(said('noted', putAway!.since)).toMatch(/^It was put away before then: take it out first/)
  })

  it('is corrected as any line is', () => {
    const { putAway } = foldMachine([away])
    expect(cannotHappen({ putAway: putAway! }, { kind: 'correction', happenedAt: at(5) })).toBeUndefined()
    const correction = { ...back, kind: 'correction' as const, body: { corrects: away.eventId, because: 'a slip' } }
    expect(foldMachine([away, correction]).putAway).toBeUndefined()
  })
})
