import fc from 'fast-check'
import { expect, it } from 'vitest'
import { CODE_LETTERS, codeFrom, plainCode } from './invitation'

it('a code is three groups of four letters that nobody mistakes, and is found however it is typed', () =>
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 12, maxLength: 40 }), (chance) => {
      const code = codeFrom(chance)
      expect(code).toMatch(/^[a-z0-9]{4}(-[a-z0-9]{4}){2}$/)
      for (const letter of plainCode(code)) expect(CODE_LETTERS).toContain(letter)
      for (const typed of [code.toUpperCase(), code.replaceAll('-', ' '), ` ${code} `])
        expect(plainCode(typed)).toBe(plainCode(code))
    }),
  ))
