import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { check } from '../schema/validate'
import { bytesOf, saysMoreThanItShows } from './photograph'
import { PhotographSchema } from './photograph-schema'

const segment = (marker: number, ...said: number[]) => [0xff, marker, 0, said.length + 2, ...said]
const HEAD = [0xff, 0xd8, ...segment(0xe0, 74, 70, 73, 70, 0)]
const PICTURE = [...segment(0xdb, 1, 2, 3), ...segment(0xc0, 8), ...segment(0xda, 1), 9, 9, 9, 0xff, 0xd9]
const jpeg = (...between: number[]) => Uint8Array.from([...HEAD, ...between, ...PICTURE])

describe('a photograph of a machine', () => {
  it('shows and says nothing else', () => {
    expect(saysMoreThanItShows(jpeg())).toBe(false)
    const profile = [...'ICC_PROFILE\0'].map((letter) => letter.charCodeAt(0))
    expect(saysMoreThanItShows(jpeg(...segment(0xe2, ...profile, 1, 1)))).toBe(false)
    // Where it was taken, what a program wrote into it, a comment.
    for (const marker of [0xe1, 0xe2, 0xed, 0xef, 0xfe])
      expect([marker, saysMoreThanItShows(jpeg(...segment(marker, 69, 120, 105, 102)))]).toEqual([marker, true])
  })

  it('says what its colours mean at any length, and nothing under that name', () => {
    const letters = (text: string) => [...text].map((letter) => letter.charCodeAt(0))
    const long = (marker: number, ...said: number[]) => [
      0xff,
      marker,
      (said.length + 2) >> 8,
      (said.length + 2) & 255,
      ...said,
    ]
    const profile = long(0xe2, ...letters('ICC_PROFILE\0'), ...Array.from({ length: 700 }, () => 7))
    expect(saysMoreThanItShows(jpeg(...profile))).toBe(false)
    expect(saysMoreThanItShows(jpeg(...profile, ...segment(0xe1, 69, 120, 105, 102)))).toBe(true)
    expect(saysMoreThanItShows(jpeg(...segment(0xe2, ...letters('ICC_PLACES__\0'))))).toBe(true)
    expect(saysMoreThanItShows(jpeg(...segment(0xe1, ...letters('ICC_PROFILE\0'))))).toBe(true)
    // What is no JPEG from its first letters on says what it likes.
    for (const first of [0, 1]) {
      const other = jpeg()
      other[first] = 1
      expect(saysMoreThanItShows(other)).toBe(true)
    }
  })

  it('says nothing between its scans, nor behind its end', () => {
    const scan = [...segment(0xda, 1), 9, 0xff, 0, 9, 0xff, 0xd3, 9]
    expect(saysMoreThanItShows(jpeg(...scan))).toBe(false)
    expect(saysMoreThanItShows(jpeg(...scan, ...segment(0xe1, 69, 120)))).toBe(true)
    for (const behind of [[1], [0xff, 0xd8], segment(0xe1, 69, 120, 105, 102)])
      expect(saysMoreThanItShows(Uint8Array.from([...jpeg(), ...behind]))).toBe(true)
  })

  it('that is cut off, or none, may say anything, and is never waited for', () =>
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 60 }), fc.nat(40), (bytes, cut) => {
        expect(
          saysMoreThanItShows(bytes.slice(0, 2).every((each) => each > 0xd8) ? bytes : Uint8Array.of(1, ...bytes)),
        ).toBe(true)
        const end = Math.min(cut, jpeg().length - PICTURE.length)
        expect(saysMoreThanItShows(jpeg().slice(0, end))).toBe(true)
      }),
    ))

  it('is a data address of a JPEG and nothing else', () => {
    const address = `data:image/jpeg;base64,${Buffer.from(jpeg()).toString('base64')}`
    expect(check(PhotographSchema, address)).toBe(address)
    expect(bytesOf(address)).toEqual(jpeg())
    for (const other of [address.replace('jpeg', 'svg+xml'), `${address}"`, 'https://room.example/x.jpg', ''])
      expect(() => check(PhotographSchema, other)).toThrow('a small JPEG picture')
  })
})
