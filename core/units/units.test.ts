import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearestMark } from './dial'
import { NotationError, parseThreadNotation, threadClass, threadDiameterMm } from './thread'

describe('thread notations', () => {
  it.each([
    ['50 wt', 20],
    ['50WT', 20],
    ['Ne 50/3', 35.43],
    ['Nm 120/2', 16.67],
    ['tkt 120', 25],
    ['tex 27', 27],
    ['dtex 270', 27],
    ['250 den', 27.78],
    ['V92', 90],
  ])('%s is %s tex', (notation, tex) => expect(parseThreadNotation(notation).tex).toBeCloseTo(tex, 2))

  it.each([
    ['T-60', 60],
    ['Tex60', 60],
    ['60 weight', 1000 / 60],
    ['No. 120', 25],
    ['50wt/2', 20],
    ['#69', 70],
    ['#92', 90],
  ])('%s, as people type it, is %s tex', (notation, tex) =>
    expect(parseThreadNotation(notation).tex).toBeCloseTo(tex, 6),
  )

  it.each(['50/3', '120', '40', '69'])('%s is ambiguous and names its readings', (notation) => {
    const read = () => parseThreadNotation(notation)
    expect(read).toThrow(NotationError)
    expect(read).toThrow(/can be read as "/)
  })

  it('names no reading that is refused when it is written out', () =>
    fc.assert(
      fc.property(fc.stringMatching(/^(0|[1-9]\d{0,320})(\.\d{1,3})?( ?\/ ?\d{1,2})?$/), (text) => {
        try {
          parseThreadNotation(text)
          expect.unreachable('a bare number is no notation')
        } catch (error) {
          const { code, readings } = error as NotationError
          expect(code).toBe(readings.length > 0 ? 'ambiguous' : 'invalid')
          for (const each of readings) expect(parseThreadNotation(each).tex).toBeGreaterThan(0)
        }
      }),
    ))

  it('names the readings as they stand on a spool', () => {
    const readings = (text: string) => {
      try {
        return [parseThreadNotation(text).tex]
      } catch (error) {
        return (error as NotationError).readings
      }
    }
    expect(readings('40')).toEqual(['40 wt', 'tkt 40', 'tex 40', 'Ne 40', 'Nm 40'])
    expect(readings('69').at(-1)).toBe('#69')
    expect(readings('50/3')).toEqual(['Ne 50/3', 'Nm 50/3', '50 wt'])
  })

  it.each(['thickish', '', '0', '0.0', '0/3', '50/0', '0 wt', 'V93', 'tex -3', 'Ne 50/0'])(
    '%s is refused',
    (notation) => expect(() => parseThreadNotation(notation)).toThrow(NotationError),
  )

  it('agree with each other for the same thread', () =>
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 300 }), (tex) => {
        for (const text of [`${tex} tex`, `dtex ${tex * 10}`, `${tex * 9} den`]) {
          expect(parseThreadNotation(text).tex).toBeCloseTo(tex, 6)
        }
      }),
    ))

  it('thicker thread is thicker, and two strands are √2 of one', () =>
    fc.assert(
      fc.property(fc.double({ min: 5, max: 200, noNaN: true }), (tex) => {
        const one = threadDiameterMm({ tex, fibre: 'cotton' })
        expect(threadDiameterMm({ tex: tex * 1.1, fibre: 'cotton' })).toBeGreaterThan(one)
        expect(threadDiameterMm({ tex, fibre: 'cotton', strands: 2 })).toBeCloseTo(one * Math.SQRT2, 9)
      }),
    ))

  it('puts another colour of the same thread in one class, and another weight in another', () => {
    expect(threadClass({ tex: 27, fibre: 'polyester' })).toBe(
      threadClass({ tex: 30, fibre: 'polyester', finish: 'spun' }),
    )
    expect(threadClass({ tex: 70, fibre: 'polyester' })).not.toBe(threadClass({ tex: 27, fibre: 'polyester' }))
  })
})

describe('a dial mark', () => {
  it('lies on the scale, within its bounds, and is the nearest that does', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(0.25, 0.5, 1),
        fc.double({ min: -3, max: 14, noNaN: true }),
        fc.double({ min: 1, max: 4, noNaN: true }),
        (step, wanted, low) => {
          const dial = { min: 0, max: 9, normal: 4, step }
          const high = low + 3
          const mark = nearestMark(dial, wanted, low, high)
          expect(mark).toBeGreaterThanOrEqual(low - 1e-9)
          expect(mark).toBeLessThanOrEqual(high + 1e-9)
          expect(Number.isInteger(mark / step)).toBe(true)
          for (let other = 0; other <= 9; other += step) {
            if (other >= low && other <= high)
              expect(Math.abs(other - wanted)).toBeGreaterThanOrEqual(Math.abs(mark - wanted) - 1e-9)
          }
        },
      ),
    ))
})
