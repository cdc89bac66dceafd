import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inWalkingOrder, partsOf } from './walk'

const anyMachines = fc.array(fc.record({ place: fc.record({ x: fc.nat(400), y: fc.nat(400) }) }), { maxLength: 60 })

describe('the parts of a hall', () => {
  it('hold every machine once, none too many, in walking order', () =>
    fc.assert(
      fc.property(anyMachines, fc.integer({ min: 1, max: 20 }), (machines, most) => {
        const parts = partsOf(machines, most)
        expect(parts.flat()).toHaveLength(machines.length)
        expect(new Set(parts.flat())).toEqual(new Set(machines))
        expect(parts.every((part) => part.length <= most)).toBe(true)
        expect(parts.flat()).toEqual([...machines].sort(inWalkingOrder))
      }),
    ))

  it('take tables of one row together, though none stands quite straight', () => {
    const at = (x: number, y: number) => ({ place: { x, y } })
    const [a, b, c] = [at(38, 8), at(14, 10), at(14, 26)]
    expect([a, c, b].sort(inWalkingOrder)).toEqual([b, a, c])
    expect(partsOf([], 4)).toEqual([[]])
  })
})
