import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { codeOf, readCode } from './code'

describe('a label’s code', () => {
  it('is read back as it was made, in any case, with spaces, misread letters, or as an address', () =>
    fc.assert(
      fc.property(fc.uuid(), fc.constantFrom('project' as const, 'machine' as const, 'shelf' as const), (id, kind) => {
        const code = codeOf(kind, id)
        const written = `${code.slice(0, 4)} ${code.slice(4)}`.toLowerCase().replaceAll('0', 'o').replaceAll('1', 'l')
        expect(readCode(code)).toEqual({ kind, code })
        expect(readCode(written)).toEqual({ kind, code })
        expect(readCode(`https://room.example/open/${code}`)).toEqual({ kind, code })
        expect(codeOf(kind, id.toUpperCase())).toBe(code)
      }),
    ))

  it('tells a few thousand things apart', () => {
    const codes = new Set(
      fc.sample(fc.uuid({ version: 7 }), { numRuns: 3000, seed: 1 }).map((id) => codeOf('project', id)),
    )
    expect(codes.size).toBeGreaterThan(2990)
  })

  it.each(['', 'B', 'X123456', 'B12345', 'B1234567', 'heron', 'B12345U'])('“%s” is none', (text) =>
    expect(readCode(text)).toBeUndefined(),
  )
})
