import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { shortagesOf, type Need } from '../session/needs'
import { itemKey, type StockItem } from './item'
import { reorderPoints, shoppingList } from './reorder'

const NOW = '2026-11-26T10:00:00.000Z'
const needle: StockItem = { kind: 'needle', system: '130/705 H', point: 'universal', sizeNm: 80 }
const thread: StockItem = { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' }
const foot: StockItem = { kind: 'foot', foot: 'walking' }
const daysAgo = (days: number) => new Date(new Date(NOW).getTime() - days * 24 * 3_600_000).toISOString()

describe('what to buy', () => {
  it('is told from what went out in eight weeks, and not from what went before', () => {
    const fitted = [1, 8, 15, 22, 29, 36, 43, 50].flatMap((days) => [
      { item: needle, happenedAt: daysAgo(days) },
      { item: needle, happenedAt: daysAgo(days) },
    ])
    const old = { item: needle, happenedAt: daysAgo(57) }
    const points = reorderPoints([], [...fitted, old], 3, NOW)
    expect(points.get(itemKey(needle))).toEqual({ item: needle, perWeek: 2, point: 6 })
    const shelves = [{ item: needle, count: 8, beyond: 0 }]
    expect(shoppingList(shelves, new Map(), [], points)).toEqual([])
    expect(shoppingList(shelves, new Map([[itemKey(needle), 3]]), [], points)).toEqual([
      { item: needle, count: 5, because: '5 left after what is promised, bought again below 6' },
    ])
  })

  it('puts what a session lacks first, by that session, in whole packs', () => {
    const sessions = [
      { sessionId: 'one', needs: [{ item: needle, count: 4, usedUp: true }] },
      {
        sessionId: 'two',
        needs: [
          { item: needle, count: 4, usedUp: true },
          { item: thread, count: 3, usedUp: false },
        ],
      },
      {
        sessionId: 'three',
        needs: [
          { item: thread, count: 2, usedUp: false },
          { item: foot, count: 5, usedUp: false },
        ],
      },
    ]
    const shelves = [
      { item: needle, count: 6, beyond: 0 },
      { item: thread, count: 2, beyond: 0 },
    ]
    const short = shortagesOf(sessions, shelves)
    expect(short).toEqual([
      { item: needle, sessionId: 'two', short: 2 },
      { item: thread, sessionId: 'two', short: 1 },
    ])
    expect(shoppingList(shelves, new Map([[itemKey(needle), 8]]), short, new Map())).toEqual([
      { item: needle, count: 5, because: '2 short for what is planned', sessionId: 'two' },
      { item: thread, count: 1, because: '1 short for what is planned', sessionId: 'two' },
    ])
  })

  it('never calls short what the shelf can give, and buys enough for everything that is planned', () =>
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 0, max: 20 }),
        (counts, has) => {
          const sessions = counts.map((count, index) => ({
            sessionId: String(index),
            needs: [{ item: needle, count, usedUp: true } satisfies Need],
          }))
          const total = counts.reduce((sum, count) => sum + count, 0)
          const short = shortagesOf(sessions, [{ item: needle, count: has }])
          expect(short[0]?.short ?? 0).toBe(Math.max(0, total - has))
          const list = shoppingList(
            [{ item: needle, count: has, beyond: 0 }],
            new Map([[itemKey(needle), total]]),
            short,
            new Map(),
          )
          expect(has + (list[0]?.count ?? 0)).toBeGreaterThanOrEqual(Math.min(total, has + (short[0]?.short ?? 0)))
          expect((list[0]?.count ?? 0) % 5).toBe(0)
        },
      ),
    ))
})
