import { expect, it } from 'vitest'
import { readPhotograph } from '@/core/camera/read-photograph'
import { median } from '@/core/camera/rows'
import { smaller } from '@/core/camera/smaller'
import { findTags } from '@/workers/tag-finder'
import { drawnPhotograph } from './drawn-photograph'

it.each([20014, 20131, 20155, 20214, 20223, 25054, 26003])(
  'a swatch drawn by another hand is read as it was drawn: %i',
  async (seed) => {
    const { picture, asked, truth } = await drawnPhotograph(seed)
    const read = readPhotograph(picture, await findTags(picture), asked)
    if (truth.unreadable) return expect(read).toMatchObject({ read: false })
    if (!read.read) throw new Error(`${truth.drawn}: ${read.because}`)
    expect(read.widthMm !== undefined).toBe(truth.zigzag)
    expect(read.look).toBe(truth.look)
    if (truth.widthMm !== undefined) expect(Math.abs(read.widthMm! - truth.widthMm)).toBeLessThan(0.2)
    const sewn = median(truth.lengths.filter((each) => each < 1.5 * median(truth.lengths)))
    expect(Math.abs(read.lengthMm!.median - sewn)).toBeLessThan(0.1)
    if (truth.look !== 'nest') expect(read.skipped).toBe(truth.skipped)
  },
)

it.each([2, 24])('without a tag the look is told, and a sharp photograph is not called blurred: %i', async (seed) => {
  const { picture, asked, truth } = await drawnPhotograph(seed, { without: true })
  const read = readPhotograph(picture, await findTags(picture), asked)
  expect(read).toMatchObject({ read: true, look: truth.look, lengthMm: null, missing: 'tag' })
})

it('a photograph finer than a thread needs says where the seam lies in its own pixels, and how many of those make a millimetre', async () => {
  const { picture, asked } = await drawnPhotograph(310002)
  const { picture: half } = smaller(picture, 2)
  const [fine, coarse] = [
    readPhotograph(picture, await findTags(picture), asked),
    readPhotograph(half, await findTags(half), asked),
  ]
  if (!fine.read || !coarse.read) throw new Error('one of them was not read')
  expect(fine.pxPerMm).toBeGreaterThan(34)
  expect(fine.pxPerMm! / coarse.pxPerMm!).toBeCloseTo(2, 1)
  expect(fine.lengthMm!.median).toBeCloseTo(coarse.lengthMm!.median, 1)
  expect(fine.seen.holes).toHaveLength(coarse.seen.holes.length)
  for (const of of ['line', 'holes'] as const)
    for (const [index, { x, y }] of fine.seen[of].entries()) {
      const beside = coarse.seen[of][index]!
      expect(Math.hypot(x - (2 * beside.x + 0.5), y - (2 * beside.y + 0.5))).toBeLessThan(4)
    }
})
