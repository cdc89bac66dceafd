import fc from 'fast-check'
import { expect, it } from 'vitest'
import { readSheet, writeSheet } from './sheet-text'
import { readShelfRows, SHELF_COLUMNS, shelfCells } from './shelf-rows'
import { FEET } from '../knowledge/stitch/foot'
import { POINTS, type Point } from '../knowledge/needle/needle'
import { THREAD_USES } from '../knowledge/thread/thread'
import { NEEDLE_SIZES } from '../units/needle-size'
import { FIBRES } from '../units/thread'
import { itemKey, type StockItem } from '../stock/item'

const item: fc.Arbitrary<StockItem> = fc.oneof(
  fc.record(
    {
      kind: fc.constant('needle' as const),
      system: fc.constantFrom('130/705 H', '287 WH', '-1 odd'),
      point: fc.constantFrom(...(Object.keys(POINTS) as Point[])),
      sizeNm: fc.constantFrom(...NEEDLE_SIZES),
      gapMm: fc.constantFrom(1.6, 2.5, 4),
    },
    { requiredKeys: ['kind', 'system', 'point', 'sizeNm'] },
  ),
  fc.record({
    kind: fc.constant('thread' as const),
    tex: fc.constantFrom(18, 27, 35.5, 105),
    fibre: fc.constantFrom(...FIBRES),
    use: fc.constantFrom(...THREAD_USES),
  }),
  fc.record({ kind: fc.constant('bobbin' as const), bobbinClass: fc.constantFrom('15', 'M', '=L 2') }),
  fc.record({ kind: fc.constant('foot' as const), foot: fc.constantFrom(...FEET) }),
)
const read = (text: string) => readShelfRows(readSheet(text, SHELF_COLUMNS))

it('what is taken away comes back, whatever lies on the shelves', () => {
  fc.assert(
    fc.property(
      fc.uniqueArray(fc.record({ item, count: fc.nat(5000) }), { selector: (shelf) => itemKey(shelf.item) }),
      (shelves) => {
        const { good, bad } = read(writeSheet(SHELF_COLUMNS, shelves.map(shelfCells)))
        expect(bad).toEqual([])
        expect(good.map((row) => [itemKey(row.item), row.count])).toEqual(
          shelves.map((shelf) => [itemKey(shelf.item), shelf.count]),
        )
      },
    ),
  )
})

it('is read as people write it: sizes with both numbers, words with spaces, only the columns that are filled', () => {
  const { good, bad } = read(
    'Kind;Count;Point;Size;Use;Tex;Fibre\nneedle;12;Ball point;80/12;;;\nThread;3;;;all purpose;35,5;polyester\n',
  )
  expect(bad.map(({ line, column }) => [line, column])).toEqual([[2, 'point']])
  expect(good).toEqual([
    { line: 3, item: { kind: 'thread', tex: 35.5, fibre: 'polyester', use: 'all-purpose' }, count: 3 },
  ])
  expect(read('kind,count,point,size\nneedle,12,Ballpoint,80/12').good[0]).toEqual({
    line: 2,
    item: { kind: 'needle', system: '130/705 H', point: 'ballpoint', sizeNm: 80 },
    count: 12,
  })
})

it('says of a bad line where and why, and reads the others', () => {
  const { good, bad } = read(
    [
      'kind,count,point,size,foot,bobbin_class',
      'needle,4,universal,80,,',
      'needle,,universal,70,,',
      'needle,-1,universal,90,,',
      'needle,2,universal,83,,',
      'foot,1,,,walking,',
      'foot,1,,,seven-league,',
      'bobbin,20,,,,',
      'ribbon,3,,,,',
      ',,,,,',
      'needle,9,Universal,80/12,,',
    ].join('\n'),
  )
  expect(good.map(({ line }) => line)).toEqual([2, 6])
  expect(bad.map(({ line, column }) => [line, column])).toEqual([
    [3, 'count'],
    [4, 'count'],
    [5, 'size'],
    [7, 'foot'],
    [8, 'bobbin_class'],
    [9, 'kind'],
    [11, 'kind'],
  ])
  for (const { because } of bad) expect(because).not.toMatch(/item\.|sizeNm|undefined/)
})

it.each([
  ['point,size\nuniversal,80', 'missing is kind'],
  ['kind,count,colour\nneedle,1,red', 'No such column: colour'],
])('refuses a heading that says too little or too much', (text, why) => {
  expect(() => read(text)).toThrow(why)
})
