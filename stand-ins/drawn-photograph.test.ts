import { expect, it } from 'vitest'
import { readPhotograph } from '@/core/camera/read-photograph'
import { median } from '@/core/camera/rows'
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
