import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { freePlace } from './free-place'

const anyPlaces = fc.array(fc.record({ x: fc.nat(120), y: fc.nat(200) }), { maxLength: 30 })

describe('the next free table', () => {
  it('stands on no other, wherever the others were dragged', () =>
    fc.assert(
      fc.property(anyPlaces, (taken) => {
        const place = freePlace(taken)
        for (const { x, y } of taken) expect(Math.abs(x - place.x) >= 20 || Math.abs(y - place.y) >= 15).toBe(true)
      }),
    ))

  it('fills a room row by row, four to a row', () => {
    const places: { x: number; y: number }[] = []
    for (let count = 0; count < 9; count += 1) places.push(freePlace(places))
    expect(places.map(({ y }) => y)).toEqual([9, 9, 9, 9, 26, 26, 26, 26, 43])
    expect(new Set(places.map(({ x }) => x)).size).toBe(4)
  })
})
