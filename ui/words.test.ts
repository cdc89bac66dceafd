import { describe, expect, it } from 'vitest'
import { fabricWords, hoursWords, needleWords, perInch, shortNeedle, stitchWords, threadWords } from './words'

describe('what things are called', () => {
  it('a needle has both its numbers, and a twin its gap', () => {
    expect(needleWords({ point: 'universal', sizeNm: 80 })).toBe('universal 80/12')
    expect(needleWords({ point: 'twin-ballpoint', sizeNm: 75, gapMm: 2.5 })).toMatch(/75\/11, 2\.5 mm apart$/)
    expect(shortNeedle({ point: 'twin-ballpoint', sizeNm: 75 })).toBe('twin ballpoint 75/11')
  })

  it('a thread says what it is for, of what, and how heavy', () => {
    expect(threadWords({ tex: 27, fibre: 'polyester', use: 'all-purpose' })).toBe('all purpose polyester, 27 tex')
    expect(threadWords({ tex: 60, fibre: 'nylon', use: 'heavy', finish: 'bonded' } as never)).toContain(
      ', bonded, 60 tex',
    )
  })

  it('a stitch has a width only where it swings', () => {
    expect(stitchWords({ of: 'lockstitch', lengthMm: 2.5, widthMm: 0 } as never)).toBe('lockstitch 2.5 mm')
    expect(stitchWords({ of: 'zigzag', name: 'narrow zigzag', lengthMm: 2.5, widthMm: 0.5 } as never)).toBe(
      'narrow zigzag 2.5 mm, 0.5 mm wide',
    )
    expect([perInch(2.5), perInch(0)]).toEqual(['10 to the inch', ''])
  })

  it('a cloth shows with a ~ what was guessed and only that', () => {
    expect(fabricWords({ structure: 'woven', massGsm: 149.6 })).toBe('woven, 150 g/m²')
    expect(fabricWords({ structure: 'woven', massGsm: 150, guessed: ['massGsm'] })).toBe('woven, ~150 g/m²')
    expect(fabricWords({ structure: 'leather', thicknessMm: 1.2, guessed: ['massGsm'] })).toBe('leather, 1.2 mm')
  })

  it('hours have one decimal, always', () => {
    expect([hoursWords(8), hoursWords(0.04)]).toEqual(['8.0 h', '0.0 h'])
  })
})
