import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nameKey, sameName } from './same-name'

const people = (...names: string[]) => names.map((name) => ({ name }))

describe('a name', () => {
  it.each([
    ['Zoë', 'zoe'],
    ['  JOSÉ  María ', 'jose maria'],
    ['Juna 🧵', 'Juna'],
    ['Søren', 'soren'],
    ['Ağa', 'Aga'],
    ['Ｈeron', 'heron'],
  ])('%s is found as %s', (written, typed) => expect(sameName(typed, people(written, 'Else'))).toEqual(people(written)))

  it('spelled just so goes before one that only sounds alike', () => {
    expect(sameName('zoe', people('Zoë', 'Zoe'))).toEqual(people('Zoe'))
    expect(sameName('zöe', people('Zoë', 'Zoe'))).toHaveLength(2)
  })

  it('of nothing but signs is still a name, and not everybody’s', () =>
    expect(sameName('🧵', people('🪡', '🧵'))).toEqual(people('🧵')))

  it('has one key, however its accents are put together', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1 }), (name) => {
        expect(nameKey(name.normalize('NFD'))).toBe(nameKey(name.normalize('NFC')))
        expect(nameKey(nameKey(name))).toBe(nameKey(name))
      }),
    ))
})
