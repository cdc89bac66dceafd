import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Happening, MachineEvent } from '../machine/event'
import { check } from '../schema/validate'
import { anyHistory } from '../testing/histories'
import { itemKey, itemWords, type StockItem } from './item'
import { StockItemSchema } from './item-schema'
import { onHand, type StockMove } from './ledger'
import { needlesFitted, reconcileNeedles } from './reconcile'

let ids = 0
const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 9, minute)).toISOString()
const needle: StockItem & { kind: 'needle' } = { kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 }
const move = (minute: number, kind: StockMove['kind'], count: number, item: StockItem = needle): StockMove => ({
  moveId: `m${String((ids += 1)).padStart(6, '0')}`,
  item,
  kind,
  count,
  happenedAt: at(minute),
  personId: 'ada',
})
const line = (minute: number, happening: Happening, personId = 'bo'): MachineEvent => ({
  ...happening,
  eventId: `01900000-0000-7000-9000-${String((ids += 1)).padStart(12, '0')}`,
  happenedAt: at(minute),
  personId,
})
type Out = 'sharps' | 'part-used' | 'lost'
const change = (minute: number, wentTo: Out | undefined, condition: 'new' | 'part-used' | 'unverified' | undefined) =>
  line(minute, {
    kind: 'needle-changed',
    body: {
      ...(wentTo && { out: { reason: 'due', state: 'blunt', wentTo } }),
      ...(condition && { in: { system: '130/705 H', point: 'universal', sizeNm: 80, condition } }),
    },
  })
const broke = (minute: number, piecesFound: boolean) => line(minute, { kind: 'needle-broke', body: { piecesFound } })
const balance = (moves: StockMove[], events: MachineEvent[]) =>
  reconcileNeedles(moves, [{ machineId: 'heron', events }])[0]!

describe('what is on a shelf', () => {
  it('is the last count with what came and went since', () => {
    expect(
      onHand([move(0, 'counted', 10), move(1, 'received', 5), move(2, 'taken', 4), move(3, 'adjusted', -1)], []),
    ).toEqual([{ item: needle, count: 10, beyond: 0, countedAt: at(0) }])
    expect(onHand([move(0, 'received', 5), move(5, 'counted', 2), move(6, 'received', 3)], [])[0]!.count).toBe(5)
  })

  it('goes down with every new needle that a book says was fitted, but for those taken back', () => {
    const first = change(1, undefined, 'new')
    const events = [first, change(2, 'sharps', 'new'), change(3, 'sharps', 'part-used')]
    const undo = line(4, { kind: 'noted', body: { text: 'x' } })
    const correction = {
      ...undo,
      kind: 'correction',
      body: { corrects: first.eventId, because: 'slip' },
    } as MachineEvent
    const count = (lines: MachineEvent[]) =>
      onHand([move(0, 'counted', 5)], needlesFitted([{ machineId: 'heron', events: lines }]))[0]!.count
    expect(count(events)).toBe(3)
    expect(count([...events, correction])).toBe(4)
  })

  it('is never below nothing, and says by how much it was overdrawn', () => {
    const fitted = needlesFitted([
      { machineId: 'x', events: [change(1, undefined, 'new'), change(2, 'sharps', 'new')] },
    ])
    expect(onHand([move(0, 'counted', 1)], fitted)).toMatchObject([{ count: 0, beyond: 1 }])
  })
})

describe('the sum of needles', () => {
  it('adds up when every needle was written down', () => {
    const moves = [move(0, 'received', 10)]
    const events = [
      change(1, undefined, 'new'),
      change(2, 'part-used', 'new'),
      change(3, 'sharps', 'part-used'),
      broke(4, true),
    ]
    expect(balance(moves, events)).toMatchObject({
      bought: 10,
      inStock: 8,
      inMachines: 0,
      partUsed: 0,
      sharps: 2,
      lost: 0,
      short: 0,
    })
  })

  it('counts a broken needle as lost until its pieces are found', () => {
    const moves = [move(0, 'received', 10)]
    expect(balance(moves, [change(1, undefined, 'new'), broke(2, false)])).toMatchObject({
      lost: 1,
      sharps: 0,
      short: 0,
    })
    const found = line(3, { kind: 'pieces-found', body: {} })
    expect(balance(moves, [change(1, undefined, 'new'), broke(2, false), found])).toMatchObject({ lost: 0, sharps: 1 })
  })

  it('is short by what a count does not find, and names who had one last', () => {
    const events = [change(1, undefined, 'new'), { ...change(2, 'sharps', 'new'), personId: 'cleo' }]
    const short = balance([move(0, 'counted', 10), move(9, 'counted', 6)], events)
    expect(short).toMatchObject({ bought: 10, inStock: 6, inMachines: 1, sharps: 1, short: 2 })
    expect(short.last[0]).toEqual({ machineId: 'heron', personId: 'cleo', happenedAt: at(2) })
  })

  it('is short by a needle that left without a word, and whole again when the loss is written down', () => {
    const moves = [move(0, 'counted', 5)]
    expect(balance(moves, [change(1, undefined, 'new'), change(2, undefined, 'new')])).toMatchObject({ short: 1 })
    expect(balance(moves, [change(1, undefined, 'new'), change(2, 'lost', 'new')])).toMatchObject({ lost: 1, short: 0 })
    expect(balance([...moves, move(3, 'adjusted', -2)], [])).toMatchObject({
      bought: 5,
      adjusted: -2,
      inStock: 3,
      short: 0,
    })
  })

  it('lets needles be there before the books began', () => {
    expect(balance([], [change(1, undefined, 'unverified')])).toMatchObject({ bought: 1, inMachines: 1, short: 0 })
    expect(balance([move(5, 'counted', 4)], [change(1, undefined, 'new')])).toMatchObject({ bought: 5, short: 0 })
  })

  it('is whole for any history in which nobody recounts and every needle says where it goes', () =>
    fc.assert(
      fc.property(anyHistory, fc.nat(500), (events, received) => {
        const tidy = events.filter(({ kind, body }) => {
          if (kind === 'correction') return false
          return kind !== 'needle-changed' || (body as { out?: object }).out !== undefined
        })
        const books = [{ machineId: 'heron', events: tidy }]
        const kinds = new Map(needlesFitted(books).map(({ item }) => [itemKey(item), item]))
        // One box of each kind, opened before anything happened.
        const moves = [...kinds.values()].map((item) => ({
          ...move(0, 'received', received + 1000, item),
          happenedAt: '2000',
        }))
        for (const each of reconcileNeedles(moves, books))
          expect([itemKey(each.item), each.short]).toEqual([itemKey(each.item), 0])
      }),
    ))
})

describe('an item', () => {
  const anyItem: fc.Arbitrary<StockItem> = fc.oneof(
    fc.record({
      kind: fc.constant('needle' as const),
      system: fc.constantFrom('130/705 H', 'long shank', '135×17'),
      point: fc.constantFrom('universal', 'jeans' as const),
      sizeNm: fc.constantFrom(80, 90),
    }),
    fc.record({ kind: fc.constant('bobbin' as const), bobbinClass: fc.constantFrom('15', 'L', 'M') }),
    fc.record({ kind: fc.constant('foot' as const), foot: fc.constantFrom('walking', 'zip' as const) }),
    fc.record({
      kind: fc.constant('thread' as const),
      tex: fc.constantFrom(27, 40),
      fibre: fc.constant('polyester' as const),
      use: fc.constant('all-purpose' as const),
    }),
  )
  it('has one key and one name, whoever writes it down', () =>
    fc.assert(
      fc.property(anyItem, anyItem, (a, b) => {
        check(StockItemSchema, a)
        expect(itemKey(a) === itemKey(b)).toBe(JSON.stringify(a) === JSON.stringify(b))
        expect(itemWords(a)).not.toMatch(/undefined|NaN/)
      }),
    ))
})
