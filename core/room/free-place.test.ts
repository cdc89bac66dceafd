import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freePlace } from './free-place'
import { FARTHEST, INSTRUCTOR_TABLE, TABLE, tableInTheWay } from './table'

const anyTables = fc.array(
  fc.record({
    place: fc.record({ x: fc.nat(120), y: fc.nat(200) }),
    size: fc.constantFrom(TABLE, INSTRUCTOR_TABLE),
  }),
  { maxLength: 30 },
)

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
