import { describe, expect, it } from 'vitest'
import { EVIDENCE, JUST_NOW } from '../knowledge/fault/fault-evidence'
import { restsOn } from '../schema/rule'
import type { MachineEvent } from '../machine/event'
import { applyCorrections, foldMachine } from '../machine/fold'
import { DEFAULT_HOUSE_RULES } from '../room/house-rules'
import { knownOfFault, type BooksOfFault } from './known'

const NOW = Date.parse('2026-11-26T19:00:00.000Z')
const DAY = 24 * 3_600_000
const line = (daysAgo: number, kind: string, body: object, index = 0): MachineEvent =>
  ({
    eventId: `01a22154-05b1-70fa-b7c3-0000000000${String(index).padStart(2, '0')}`,
    happenedAt: new Date(NOW - daysAgo * DAY).toISOString(),
    personId: 'p',
    kind,
    body,
  }) as MachineEvent
const needle = { system: '130/705 H', point: 'universal', sizeNm: 80, condition: 'new' }
const lines = [
  line(3, 'needle-changed', { out: { reason: 'struck', state: 'bent', wentTo: 'sharps' }, in: needle }, 1),
  line(2, 'bobbin-wound', { count: 4 }, 2),
]
const received = (yearsAgo: number) => ({
  moveId: 'm',
  item: { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' } as const,
  kind: 'received' as const,
  count: 6,
  happenedAt: new Date(NOW - yearsAgo * 366 * DAY).toISOString(),
  personId: 'p',
})
const books: BooksOfFault = {
  state: foldMachine(lines),
  needleRules: DEFAULT_HOUSE_RULES.needle,
  fabricStructure: 'knit',
  needleLines: applyCorrections(lines),
  threadMoves: [received(9), received(6)],
  kitBefore: { foot: 'standard', extras: ['straight-stitch-plate'] },
}

describe('what the books tell the finder', () => {
  it('is everything that any row of evidence asks for', () => {
    const told = new Set<string>()
    for (const step of [undefined, 'foot-up', 'foot-down'])
      for (const fact of Object.keys(
        knownOfFault({ ...books, ...(step && { failed: { step, group: 'threading' } }) }, NOW),
      ))
        told.add(fact)
    for (const rule of [...EVIDENCE, ...JUST_NOW])
      for (const fact of [...restsOn(rule)].filter((each) => each !== 'symptom'))
        expect([rule.id, fact, told.has(fact)]).toEqual([rule.id, fact, true])
  })

  it('calls a thread as old as its shelf was last filled, and none new', () => {
    expect(knownOfFault(books, NOW).threadAgeYears).toBe(6)
    expect(knownOfFault({ ...books, threadMoves: [received(9), received(1)] }, NOW).threadAgeYears).toBeUndefined()
    expect(knownOfFault({ ...books, threadMoves: [] }, NOW).threadAgeYears).toBeUndefined()
  })

  it('knows of a straight plate or foot that the kit before had on, and of nothing else', () => {
    const before = (kitBefore: BooksOfFault['kitBefore']) =>
      knownOfFault({ ...books, kitBefore }, NOW).straightPlateBefore
    expect(before({ foot: 'straight', extras: [] })).toBe(true)
    expect(before({ foot: 'standard', extras: ['test-scrap', 'straight-stitch-plate'] })).toBe(true)
    expect(before({ foot: 'standard', extras: ['test-scrap'] })).toBeUndefined()
    expect(before(undefined)).toBeUndefined()
  })

  it('calls a strike only what struck: a needle that broke, or one that came out struck', () => {
    const told = (...written: MachineEvent[]) =>
      knownOfFault({ ...books, needleLines: applyCorrections(written) }, NOW).recentStrike
    const out = (reason: string) =>
      line(1, 'needle-changed', { out: { reason, state: 'sharp', wentTo: 'sharps' }, in: needle })
    expect(told(out('struck'))).toBe(true)
    expect(told(line(1, 'needle-broke', { allPiecesFound: true }))).toBe(true)
    expect(told(out('hours'))).toBeUndefined()
    expect(told(line(1, 'needle-changed', { in: needle }))).toBeUndefined()
    expect(told(line(1, 'noted', { text: 'struck' }))).toBeUndefined()
    expect(told(line(7, 'needle-broke', {}))).toBeUndefined()
  })

  it('calls nothing a strike that was taken back, and one again whose correction was taken back', () => {
    const told = (...written: MachineEvent[]) =>
      knownOfFault({ ...books, needleLines: applyCorrections(written) }, NOW).recentStrike
    const broke = line(2, 'needle-broke', { allPiecesFound: true })
    const wrong = line(1, 'correction', { corrects: broke.eventId, because: 'the machine beside it' }, 1)
    const again = line(0, 'correction', { corrects: wrong.eventId, because: 'no, this one' }, 2)
    expect(told(broke)).toBe(true)
    expect(told(broke, wrong)).toBeUndefined()
    expect(told(broke, wrong, again)).toBe(true)
  })

  it('takes the age of a thread from what was received, not from when it was counted', () => {
    const counted = { ...received(0), moveId: 'n', kind: 'counted' as const }
    expect(knownOfFault({ ...books, threadMoves: [received(9), counted] }, NOW).threadAgeYears).toBe(9)
  })

  it('forgets a strike after a week', () => {
    expect(knownOfFault(books, NOW).recentStrike).toBe(true)
    expect(knownOfFault(books, NOW + 5 * DAY).recentStrike).toBeUndefined()
  })
})
