import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { TRADE_WORDS } from '@/core/knowledge/trade-word'
import { explainable } from './explainable'

const forms = TRADE_WORDS.flatMap(({ word, also = [] }) => [word, ...also])

describe('words of the trade', () => {
  it('stand in the order of the alphabet, each form once, and each is a sentence', () => {
    const words = TRADE_WORDS.map(({ word }) => word)
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b, 'en')))
    expect(forms.length).toBe(new Set(forms.map((form) => form.toLowerCase())).size)
    for (const { means } of TRADE_WORDS) expect(means).toMatch(/^[A-Z].*\.$/)
  })

  it('are found in a sentence, the longest that fits, each the first time only', () => {
    const parts = explainable('Bobbin out, then the bobbin case; the bobbin again.')
    expect(parts.filter(({ word }) => word).map(({ text }) => text)).toEqual(['Bobbin', 'bobbin case'])
    expect(explainable('Rewind it and go on')).toEqual([{ text: 'Rewind it and go on' }])
  })

  it('leave the text as it was, whatever it is made of', () =>
    fc.assert(
      fc.property(fc.array(fc.oneof(fc.string(), fc.constantFrom(...forms, ' ', ', '))), (pieces) => {
        const text = pieces.join('')
        const parts = explainable(text)
        expect(parts.map((part) => part.text).join('')).toBe(text)
        const words = parts.flatMap(({ word }) => word ?? [])
        expect(words.length).toBe(new Set(words).size)
      }),
    ))
})
