import { describe, expect, it } from 'vitest'
import { HOUSEHOLD_SIZES, NeedleSizeError, olderNumber } from '../units/needle-size'
import { parseNeedleSize } from './read-needle'

describe('needle sizes', () => {
  it('are read by either number and in either order', () => {
    for (const size of HOUSEHOLD_SIZES) {
      const us = olderNumber(size)
      for (const text of [`${size}`, `${us}`, `${size}/${us}`, `${us}/${size}`, `Nm ${size}`]) {
        expect(parseNeedleSize(text)).toEqual({ sizeNm: size, sizeUs: us })
      }
    }
  })

  it('take a pack with a pair that does not match, and say so', () => {
    expect(parseNeedleSize('80/11')).toMatchObject({
      sizeNm: 80,
      sizeUs: 12,
      note: expect.stringContaining('80 goes with 12') as string,
    })
  })

  it.each([
    ['2.0/80', { sizeNm: 80, gapMm: 2 }],
    ['4/90', { sizeNm: 90, gapMm: 4 }],
    ['2.5/75 stretch', { sizeNm: 75, gapMm: 2.5, point: 'twin-stretch' }],
    ['100/16 jeans', { sizeNm: 100, point: 'jeans' }],
    ['jeans 100/16', { sizeNm: 100, point: 'jeans' }],
    ['8/60', { sizeNm: 60 }],
  ])('read %s with a twin’s gap before and a point’s word beside', (text, wanted) =>
    expect(parseNeedleSize(text)).toMatchObject(wanted),
  )

  it('say which points there are when the word is none', () =>
    expect(() => parseNeedleSize('80 blunt')).toThrow(/"blunt" is no point; allowed are universal/))

  it.each(['85', '80/90', '12/14', 'fine', '80/12/1', ''])('refuse %s', (text) =>
    expect(() => parseNeedleSize(text)).toThrow(NeedleSizeError),
  )
})
