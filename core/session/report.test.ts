import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Happening } from '../machine/event'
import { sessionReport, type ReportCall } from './report'

const at = (time: string) => `2026-03-05T${time}:00.000Z`
const line = (time: string, happening: Happening) => ({ ...happening, happenedAt: at(time) })
const session = { startsAt: new Date(at('18:00')), endsAt: new Date(at('20:00')), blocks: 2 }
const seat = (block: number, who: string, machineId = 'Heron') => ({ block, machineId, projectId: `${who}’s bag` })
const personOf = (projectId: string) => projectId.replace('’s bag', '')
const of = (who: string) => ({ projectId: `${who}’s bag` })
const over = (time: string, who: string, finished = false) =>
  line(time, { kind: 'turn-ended', body: { finished, ...of(who) } })
const swatch = (time: string, under: 'own' | 'loops', who?: string) =>
  line(time, {
    kind: 'swatch-stitched',
    body: { dial: 4, target: 'straight', top: 'own', under, done: [], ...(who && of(who)) },
  })
const check = (time: string) =>
  line(time, { kind: 'check-run', body: { list: 'seat', steps: [{ step: 'x', group: 'bobbin', result: 'pass' }] } })
const call = (time: string, who: string, answered?: string): ReportCall => ({
  personId: who,
  machineId: 'Heron',
  calledAt: at(time),
  ...(answered && { answeredAt: at(answered) }),
})
const report = (seats: ReturnType<typeof seat>[], lines: ReturnType<typeof line>[], calls: ReportCall[] = []) =>
  sessionReport(session, seats, () => lines, personOf, calls)

describe('the report of a session', () => {
  it('gives each place what its books say, by project where a line names one and else by block', () => {
    const rows = report(
      [seat(1, 'Ada'), seat(2, 'Bo')],
      [check('17:50'), swatch('18:05', 'loops'), swatch('18:09', 'own'), over('19:03', 'Ada', true), check('19:10')],
    )
    expect(rows).toMatchObject([
      { block: 1, checked: true, swatches: 2, balanced: true, turn: 'finished' },
      { block: 2, checked: true, swatches: 0 },
    ])
    expect(rows[1]).not.toHaveProperty('turn')
    expect(rows[1]).not.toHaveProperty('balanced')
  })

  it('says what the last swatch said, and tells two blocks of one person apart', () => {
    expect(report([seat(1, 'Ada')], [swatch('18:05', 'own', 'Ada'), swatch('18:30', 'loops', 'Ada')])[0]).toMatchObject(
      {
        swatches: 2,
        balanced: false,
      },
    )
    const two = report([seat(1, 'Ada'), seat(2, 'Ada')], [swatch('18:05', 'own', 'Ada'), over('19:50', 'Ada')])
    expect(two.map(({ swatches, turn }) => [swatches, turn])).toEqual([
      [1, undefined],
      [0, 'goes on'],
    ])
  })

  it('counts calls of that person at that machine, with the longest wait; one that nobody came to waits until the end', () => {
    const [row] = report(
      [seat(1, 'Ada')],
      [],
      [call('18:10', 'Ada', '18:14'), call('18:40', 'Ada'), call('18:20', 'Bo', '18:50')],
    )
    expect(row).toMatchObject({ calls: 2, waitedMinutes: 20 })
  })

  it('says who did not come, gives them no line of somebody else’s, and takes their own word over what was expected', () => {
    const expected = (lines: ReturnType<typeof line>[], calls: ReportCall[] = []) =>
      sessionReport(session, [{ ...seat(1, 'Ada'), absent: true }], () => lines, personOf, calls)[0]
    expect(expected([check('18:05'), swatch('18:10', 'own')])).toMatchObject({
      came: false,
      checked: false,
      swatches: 0,
    })
    expect(expected([swatch('18:10', 'own', 'Ada')])).toMatchObject({ came: true, swatches: 1 })
    expect(expected([], [call('18:10', 'Ada')])).toMatchObject({ came: true, calls: 1 })
    expect(report([seat(1, 'Ada')], [])[0]).toMatchObject({ came: true })
  })

  it('gives no line that names a project to anybody else’s place, whatever its time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 119 }), fc.constantFrom('Ada', 'Bo'), (minute, who) => {
        const time = `${String(18 + Math.floor(minute / 60))}:${String(minute % 60).padStart(2, '0')}`
        const rows = report([seat(1, 'Ada'), seat(2, 'Bo')], [swatch(time, 'own', who)])
        expect(rows.filter(({ swatches }) => swatches > 0).map(({ projectId }) => personOf(projectId))).toEqual([who])
      }),
    )
  })
})
