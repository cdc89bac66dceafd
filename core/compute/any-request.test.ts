import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Invalid } from '../schema/invalid'
import { fitting, spoiled, type Plain } from '../testing/fitting'
import { compute, COMPUTATIONS } from './computations'

/** The paths at which an answer holds something that JSON cannot. */
function unspeakable(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${value}`]
  if (typeof value === 'string')
    return /\bNaN\b|\bInfinity\b|\bundefined\b|\[object/.test(value) ? [`${path}: ${value}`] : []
  if (value === null || typeof value === 'boolean') return []
  if (typeof value !== 'object') return [`${path}: ${typeof value}`]
  return Object.entries(value).flatMap(([name, inside]) => unspeakable(inside, `${path}.${name}`))
}

/** Answers, or says with its place what was wrong; anything else that is thrown is a fault of ours. */
function asked(name: string, request: unknown): object | undefined {
  try {
    return compute(name, request)
  } catch (error) {
    if (!(error instanceof Invalid)) throw error
    expect(error.message.length).toBeGreaterThan(8)
    expect(typeof error.fault.path).toBe('string')
    return undefined
  }
}

describe.each(Object.entries(COMPUTATIONS))('whatever is asked of %s', (name, { request }) => {
  const schema = request as unknown as Plain

  it('is answered in words and numbers, or refused with its place', () =>
    fc.assert(
      fc.property(fitting(schema, []), (question) => {
        const answer = asked(name, question)
        if (answer) expect(unspeakable(answer)).toEqual([])
      }),
      { numRuns: 300 },
    ))

  it('is refused with its place when it is spoilt, and never answered by half', () =>
    fc.assert(
      fc.property(spoiled(fitting(schema, [])), (question) => {
        const answer = asked(name, question)
        if (answer) expect(unspeakable(answer)).toEqual([])
      }),
      { numRuns: 200 },
    ))

  it('is answered the same way every time, and leaves the question as it was', () =>
    fc.assert(
      fc.property(fitting(schema, []), (question) => {
        const before = JSON.stringify(question)
        const first = asked(name, question)
        expect(asked(name, question)).toEqual(first)
        expect(JSON.stringify(question)).toBe(before)
      }),
      { numRuns: 60 },
    ))
})
