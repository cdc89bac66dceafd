import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { wrongWithPin } from './pin'

describe('a PIN', () => {
  it.each(['0000', '7777', '1234', '7890', '4321', '2109'])('is not what everybody tries first: %s', (pin) =>
    expect(wrongWithPin(pin)).toMatch(/in a row/),
  )
  it.each(['1212', '1357', '0919', '2580'])('is otherwise any four digits: %s', (pin) =>
    expect(wrongWithPin(pin)).toBeUndefined(),
  )
  it('leaves all but thirty of ten thousand', () => {
    const all = Array.from({ length: 10_000 }, (_, index) => String(index).padStart(4, '0'))
    expect(all.filter((pin) => wrongWithPin(pin))).toHaveLength(30)
  })
  it('is nothing but digits', () =>
    fc.assert(
      fc.property(fc.string(), (text) => {
        expect(/^\d{4}$/.test(text) || wrongWithPin(text) !== undefined).toBe(true)
      }),
    ))
})
