import { describe, expect, it } from 'vitest'
import { TRAIT_PART_WORDS, traitWords } from './trait-words'
import { TRAIT_NAMES, TRAITS } from '../knowledge/machine/trait'

describe('the numbers of one trait', () => {
  it('are each asked for and said in words, with their unit', () => {
    for (const name of TRAIT_NAMES) {
      const { properties, required } = TRAITS[name] as { properties?: object; required?: readonly string[] }
      for (const part of Object.keys(properties ?? {}))
        if (required?.includes(part))
          expect([name, part, TRAIT_PART_WORDS[part] ?? 'no words']).not.toContain('no words')
    }
    expect(traitWords({ fillMm: 20, hubMm: 6, widthMm: 9.5 })).toBe(
      'wound to, mm: 20; hub, mm: 6; width inside, mm: 9.5',
    )
  })

  it('are said by what they are: a word, a number, yes or no, several, and of each stitch its own', () => {
    expect([true, false, 4.5, 'top-loading', ['zigzag', 'walking-foot'], null, undefined].map(traitWords)).toEqual([
      ...['yes', 'no', '4.5', 'top loading', 'zigzag, walking foot', '', ''],
    ])
    expect(traitWords({ normal: 4, byStitch: { zigzag: 3.5 } })).toBe('normal mark: 4; by stitch: zigzag: 3.5')
  })
})
