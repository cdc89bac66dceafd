import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EVENT_KINDS, PLAIN_KINDS } from '../machine/event'
import { anyHistory } from '../testing/histories'
import { eventBody } from '../machine/event'
import { check } from '../schema/validate'
import { FREE_TEXT, namedIn, withFreeText } from './free-text'

describe('what people write as they like', () => {
  it('is in notes, reasons, causes and what was done, and in no field that names a thing', () => {
    for (const field of ['text', 'because', 'cause', 'did', 'by', 'cure', 'seen', 'what'])
      expect(FREE_TEXT).toContain(field)
    for (const field of ['kind', 'system', 'point', 'step', 'stitch', 'happenedAt', 'projectId'])
      expect(FREE_TEXT).not.toContain(field)
    expect(EVENT_KINDS.length).toBe(PLAIN_KINDS.length + 1)
  })

  it('can be taken out of any line, which stays a line of its kind', () =>
    fc.assert(
      fc.property(anyHistory, (lines) => {
        for (const { kind, body } of lines) {
          const erased = withFreeText(body, () => 'erased')
          expect(check(eventBody(kind), erased)).toEqual(erased)
          expect(withFreeText(body, (text) => text)).toEqual(body)
        }
      }),
      { numRuns: 100 },
    ))
})

describe('a name in a text', () => {
  it.each([
    ['Ida', 'Ida’s thread broke; ask Ida', 'somebody’s thread broke; ask somebody'],
    ['Ida', 'Idaho and Fridа', 'Idaho and Fridа'],
    ['Zoë', 'Zoë, Zoëlla', 'somebody, Zoëlla'],
    ['J. (the tall)', 'with J. (the tall).', 'with somebody.'],
  ])('%s goes where it is a word: %s', (name, text, then) => expect(namedIn(name)(text)).toBe(then))
})
