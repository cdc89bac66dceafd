import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { itemKey, type StockItem } from '../stock/item'
import { shortagesOf, type Need } from './needs'

const NEEDLE: StockItem = { kind: 'needle', system: '130/705 H', point: 'jeans', sizeNm: 100 }
const THREAD: StockItem = { kind: 'thread', tex: 27, fibre: 'polyester', use: 'all-purpose' }
const FOOT: StockItem = { kind: 'foot', foot: 'walking' }
const BOBBIN: StockItem = { kind: 'bobbin', bobbinClass: '15' }
const need = (item: StockItem, count: number): Need => ({ item, count, usedUp: item.kind === 'needle' })
const weeks = (item: StockItem, counts: readonly number[]) =>
  counts.map((count, index) => ({
    sessionId: `week ${index + 1}`,
    needs: count > 0 ? [need(item, count)] : [],
  }))
const anyCounts = fc.array(fc.nat(6), { minLength: 1, maxLength: 6 })

describe('what sessions to come run short of', () => {
  it('is for needles what all weeks take less what there is, first named where the shelf is bare', () =>
    fc.assert(
      fc.property(anyCounts, fc.nat(20), (counts, onHand) => {
        const found = shortagesOf(weeks(NEEDLE, counts), [{ item: NEEDLE, count: onHand }])
        const total = counts.reduce((sum, count) => sum + count, 0)
        if (total <= onHand) {
          expect(found).toEqual([])
          return
        }
        let left = onHand
        const first = counts.findIndex((count) => (left -= count) < 0)
        expect(found).toEqual([{ item: NEEDLE, sessionId: `week ${first + 1}`, short: total - onHand }])
      }),
    ))

  it('is for thread, which comes back, what the fullest session lacks', () =>
    fc.assert(
      fc.property(anyCounts, fc.nat(8), (counts, onHand) => {
        const found = shortagesOf(weeks(THREAD, counts), [{ item: THREAD, count: onHand }])
        const most = Math.max(...counts)
        expect(found.map(({ short }) => short)).toEqual(most > onHand ? [most - onHand] : [])
      }),
    ))

  it('is never less when there is less on the shelf', () =>
    fc.assert(
      fc.property(anyCounts, fc.nat(12), fc.constantFrom(NEEDLE, THREAD), (counts, onHand, item) => {
        const short = (count: number) => shortagesOf(weeks(item, counts), [{ item, count }])[0]?.short ?? 0
        expect(short(onHand)).toBeGreaterThanOrEqual(short(onHand + 1))
      }),
    ))

  it('takes feet and bobbins that nobody counts to be there, and needles and thread that nobody counts not to be', () => {
    const lacks = (item: StockItem, shelves: { item: StockItem; count: number }[] = []) =>
      shortagesOf(weeks(item, [2]), shelves).map(({ short }) => short)
    expect([FOOT, BOBBIN, THREAD, NEEDLE].map((item) => lacks(item))).toEqual([[], [], [2], [2]])
    expect(lacks(FOOT, [{ item: FOOT, count: 1 }])).toEqual([1])
    expect(lacks(BOBBIN, [{ item: BOBBIN, count: 0 }])).toEqual([2])
  })

  it('keeps things apart that only look alike', () => {
    const fine: StockItem = { kind: 'needle', system: '130/705 H', point: 'jeans', sizeNm: 90 }
    const found = shortagesOf(
      [{ sessionId: 'week 1', needs: [need(NEEDLE, 1), need(fine, 3)] }],
      [
        { item: NEEDLE, count: 5 },
        { item: fine, count: 1 },
      ],
    )
    expect(found.map(({ item, short }) => [itemKey(item), short])).toEqual([[itemKey(fine), 2]])
  })
})
