import { withAlpha, type Picture } from '../picture/picture'
import type { FoundTag } from './read-photograph'
import { halvings, smaller } from './smaller'

interface At {
  readonly x: number
  readonly y: number
}

/** A code as a finder of codes tells of it. */
export interface SeenCode {
  readonly text: string
  readonly isValid: boolean
  readonly position: Readonly<Record<'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft', At>>
  readonly version: string
}

/** What a finder of codes looks at: red, green, blue, alpha. */
export interface CodeImage {
  readonly data: Uint8ClampedArray<ArrayBuffer>
  readonly width: number
  readonly height: number
  readonly colorSpace: 'srgb'
}

/** How the finder is asked: every square code there is, torn ones too. */
export const CODES_ASKED = {
  formats: ['QRCode' as const],
  tryHarder: true,
  returnErrors: true,
  maxNumberOfSymbols: 4,
}

/** A code is looked for in a picture of about so many pixels along its longer side, and in a finer one where none is found. */
const LONGER_SIDES = [1000, 2000, 4000]

/**
 * The codes of tags in a photograph; one that is there and cannot be read comes without its text.
 * @param find looks for codes in one image
 */
export async function tagsIn(
  picture: Picture,
  find: (image: CodeImage) => Promise<readonly SeenCode[]>,
): Promise<FoundTag[]> {
  let torn: FoundTag[] = []
  for (const side of LONGER_SIDES) {
    const { picture: seen, times } = smaller(picture, halvings(Math.max(picture.width, picture.height) / side))
    const { width, height } = seen
    const found = await find({ data: withAlpha(seen), width, height, colorSpace: 'srgb' })
    const tags = found.map(({ text, isValid, position, version }): FoundTag => {
      const { topLeft, topRight, bottomRight, bottomLeft } = position
      const corner = ({ x, y }: At) => ({ x: (x + 0.5) * times - 0.5, y: (y + 0.5) * times - 0.5 })
      return {
        corners: [corner(topLeft), corner(topRight), corner(bottomRight), corner(bottomLeft)],
        modules: Number(version) > 0 ? 17 + 4 * Number(version) : 0,
        ...(isValid && { text }),
      }
    })
    const whole = tags.filter(({ text }) => text !== undefined)
    if (whole.length > 0) return whole
    torn = tags.length > 0 ? tags : torn
    if (times === 1) break
  }
  return torn
}
