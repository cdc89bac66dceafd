import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freePlace, inRows } from './free-place'
import { FARTHEST, INSTRUCTOR_TABLE, TABLE, tableInTheWay } from './table'

const anyTables = fc.array(
  fc.record({
    place: fc.record({ x: fc.nat(120), y: fc.nat(200) }),
    size: fc.constantFrom(TABLE, INSTRUCTOR_TABLE),
  }),
  { maxLength: 30 },
)

describe('tables in rows', () => {
  it('are as many as asked, so many a row, over nothing, from the front on; or none where the hall is too small', () =>
    fc.assert(
      fc.property(
        anyTables,
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 16 }),
        (taken, count, perRow) => {
          const places = inRows(count, perRow, taken)
          if (!places) return
          expect(places).toHaveLength(count)
          const rows = new Map<number, number>()
          for (const [index, place] of places.entries()) {
            const others = places.filter((_, other) => other !== index).map((each) => ({ place: each, size: TABLE }))
            expect(tableInTheWay(place, TABLE, [...taken, ...others])).toBeUndefined()
            rows.set(place.y, (rows.get(place.y) ?? 0) + 1)
          }
          expect([...rows.values()].slice(0, -1).every((many) => many === perRow)).toBe(true)
        },
      ),
    ))

  it('do not reach out of the hall', () => {
    expect(inRows(4, 4, [])).toHaveLength(4)
    expect(inRows(500, 4, [])).toBeUndefined()
  })
})

describe('the next free table', () => {
  it('lies over no other, wherever the others were dragged', () =>
    fc.assert(
      fc.property(anyTables, (taken) => {
        expect(tableInTheWay(freePlace(taken), TABLE, taken)).toBeUndefined()
      }),
    ))

  it('fills a room row by row, four to a row, and a long hall beside them, never past its end', () => {
    const tables: { place: { x: number; y: number }; size: typeof TABLE }[] = []
    for (let count = 0; count < 200; count += 1) tables.push({ place: freePlace(tables), size: TABLE })
    expect(tables.slice(0, 9).map(({ place }) => place.y)).toEqual([9, 9, 9, 9, 26, 26, 26, 26, 43])
    expect(new Set(tables.map(({ place: { x, y } }) => `${x} ${y}`)).size).toBe(200)
    expect(tables.every(({ place: { x, y } }) => x <= FARTHEST && y <= FARTHEST)).toBe(true)
  })

  it('may touch another edge to edge, and not by a tenth more', () => {
    const other = { place: { x: 50, y: 50 }, size: INSTRUCTOR_TABLE }
    const below = (TABLE.height + INSTRUCTOR_TABLE.height) / 2
    expect(tableInTheWay({ x: 50, y: 50 + below }, TABLE, [other])).toBeUndefined()
    expect(tableInTheWay({ x: 50, y: 50 + below - 0.1 }, TABLE, [other])).toBe(other)
  })
})
