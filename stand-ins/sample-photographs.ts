import sharp from 'sharp'
import { colourOf } from '@/core/picture/picture'
import { ORDINARY_TEST_THREADS } from '@/core/room/venue-settings'
import { photograph } from './camera'

/** What can be photographed without a camera: each face as it should be, one that is not, and a table with nothing sewn on it. */
export const SAMPLES = ['good-top', 'good-under', 'tight-top', 'no-seam'] as const
export type Sample = (typeof SAMPLES)[number]

/** A photograph of a swatch in the ordinary two test threads, its tag beside it, as a JPEG file. */
export async function samplePhotograph(sample: Sample): Promise<Buffer> {
  const face = sample === 'good-under' ? 'under' : 'top'
  const { top, bobbin } = ORDINARY_TEST_THREADS
  const [own, other] = face === 'top' ? [top, bobbin] : [bobbin, top]
  const taken = photograph({
    seed: 11,
    seam: {
      from: 6,
      to: sample === 'no-seam' ? 5 : 86,
      middle: 17,
      stitchMm: 2.5,
      widthMm: 0,
      uneven: 0.03,
      wobbleMm: 0.1,
      ownMm: 0.3,
      otherMm: 0.3,
      otherShare: sample === 'tight-top' ? 0.25 : 0,
      loopMm: 0,
      nestMm: 0,
      skipped: 0,
      slack: 0.05,
      frayed: false,
    },
    cloth: { look: 'plain', colour: colourOf('#d9d4c6'), perCm: 20 },
    own: { hex: own, lustre: 0.5 },
    other: { hex: other, lustre: 0.5 },
    widthMm: 100,
    heightMm: 34,
    tag: `https://room.example/open/sample/${face}`,
    creased: false,
    pxPerMm: 16,
    tilt: 5,
    turn: 6,
    blurMm: 0.03,
    noise: 0.01,
    shadow: 0.2,
    light: [0.95, 0.92, 0.85],
    glare: 0,
    pucker: 0,
  })
  const { width, height, pixels } = taken.picture
  return sharp(Buffer.from(pixels), { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 88 })
    .toBuffer()
}
