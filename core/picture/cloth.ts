import type { Colour } from './picture'
import { drift, driftAlong, scatter } from './noise'

export const CLOTH_LOOKS = [
  'plain',
  'twill',
  'satin',
  'canvas',
  'knit',
  'knit-back',
  'felt',
  'pile',
  'leather',
  'suede',
  'film',
  'net',
] as const
export type ClothLook = (typeof CLOTH_LOOKS)[number]

export interface Cloth {
  readonly look: ClothLook
  readonly colour: Colour
  /** printed on it or woven into it, at a place in mm; absent: one colour */
  readonly pattern?: (x: number, y: number) => Colour
  /** yarns or loops in a centimetre, along and across */
  readonly perCm: number
}

/** What a cloth is at one place of its face: how high, mm, and how bright beside its own colour, about 1. */
interface Lies {
  height: number
  tone: number
}
/** The same answer is used again for every place: a picture asks for half a million. */
export type ClothAt = (x: number, y: number) => Readonly<Lies>

/** Whether a yarn of the warp lies above where the two cross. */
const LIES_ABOVE: Readonly<Record<'plain' | 'twill' | 'satin' | 'canvas', (warp: number, weft: number) => boolean>> = {
  plain: (warp, weft) => ((warp + weft) & 1) === 0,
  canvas: (warp, weft) => ((warp + weft) & 1) === 0,
  twill: (warp, weft) => (((warp - weft) % 4) + 4) % 4 < 2,
  satin: (warp, weft) => (((warp * 2 + weft) % 5) + 5) % 5 !== 0,
}

/** So finely is one yarn drawn, across and along. */
const STEPS = 32

/** One repeat of a weave, drawn once: how high it lies, in its yarns' own measure, and how bright. */
interface Weave {
  /** yarns, along and across */
  readonly repeat: number
  readonly height: Float32Array
  readonly tone: Float32Array
}
type Woven = keyof typeof LIES_ABOVE
const REPEATS: Readonly<Record<Woven, number>> = { plain: 2, canvas: 2, twill: 4, satin: 5 }
const WEAVES = new Map<Woven, Weave>()

function weaveOf(look: Woven): Weave {
  const known = WEAVES.get(look)
  if (known) return known
  const repeat = REPEATS[look]
  const side = repeat * STEPS
  const weave: Weave = { repeat, height: new Float32Array(side * side), tone: new Float32Array(side * side) }
  const fill = look === 'canvas' ? 0.98 : 0.94
  for (let row = 0; row < side; row += 1)
    for (let column = 0; column < side; column += 1) {
      const [x, y] = [(column + 0.5) / STEPS, (row + 0.5) / STEPS]
      const [across, along] = [(x % 1) - 0.5, (y % 1) - 0.5]
      const over = LIES_ABOVE[look](Math.floor(x), Math.floor(y))
      const beside = (over ? across : along) / (0.5 * fill)
      const lift = Math.cos((over ? along : across) * Math.PI)
      const round = Math.sqrt(Math.max(0, 1 - beside * beside))
      const twist = 0.04 * Math.sin((over ? y : x) * 4 * Math.PI + beside * 3)
      weave.height[row * side + column] = round * (0.55 + 0.45 * lift) - 0.4
      weave.tone[row * side + column] = 0.86 + 0.14 * round + twist
    }
  WEAVES.set(look, weave)
  return weave
}

/** How the face of a cloth lies: yarn by yarn where it has yarns, grain by grain where it has none. Millimetres. */
export function clothAt({ look, perCm }: Cloth, seed: number): ClothAt {
  const pitch = 10 / perCm
  const lies: Lies = { height: 0, tone: 1 }
  const told = (height: number, tone: number): Lies => {
    lies.height = height
    lies.tone = tone
    return lies
  }
  const grain = (x: number, y: number, size: number) => drift(x / size, y / size, seed)
  switch (look) {
    case 'plain':
    case 'twill':
    case 'satin':
    case 'canvas': {
      const weave = weaveOf(look)
      const { repeat, height, tone } = weave
      const side = repeat * STEPS
      let [lastWarp, lastWeft, slub] = [NaN, NaN, 1]
      return (x, y) => {
        const [across, along] = [x / pitch, y / pitch]
        const [warp, weft] = [Math.floor(across), Math.floor(along)]
        if (warp !== lastWarp || weft !== lastWeft) {
          lastWarp = warp
          lastWeft = weft
          // Yarns are spun and not drawn with a ruler: a little thicker here, a little thinner there.
          slub =
            0.85 +
            0.3 *
              (LIES_ABOVE[look](warp, weft) ? driftAlong(warp, weft / 9, seed) : driftAlong(weft, warp / 9, seed + 1))
        }
        const column = Math.floor((across - repeat * Math.floor(across / repeat)) * STEPS)
        const row = Math.floor((along - repeat * Math.floor(along / repeat)) * STEPS)
        const at = row * side + column
        return told(pitch * 0.28 * slub * height[at]!, tone[at]! * (0.94 + 0.12 * (slub - 0.85)))
      }
    }
    case 'knit':
    case 'knit-back': {
      // Wales of V on the face, rows of bows on the back.
      return (x, y) => {
        const wale = Math.floor(x / pitch)
        const across = x / pitch - wale - 0.5
        const slope = look === 'knit' ? Math.abs(across) * 1.6 : 0.35 * Math.cos(across * Math.PI * 2)
        const course = y / (pitch * 0.8) + slope
        const along = course - Math.floor(course) - 0.5
        const round = Math.sqrt(Math.max(0, 1 - (along / 0.48) ** 2))
        const lift = look === 'knit' ? 1 - 0.7 * Math.abs(across * 2) ** 2 : 0.7 + 0.3 * Math.cos(across * Math.PI * 2)
        return told(pitch * 0.3 * (round * lift - 0.4), 0.8 + 0.2 * round * lift)
      }
    }
    case 'felt':
      return (x, y) => {
        const fibre = grain(x * 3 + y, y * 0.6 - x * 0.2, 0.22) + grain(x * 0.5, y * 3 + x, 0.2)
        return told(0.05 * (fibre - 1), 0.82 + 0.18 * fibre)
      }
    case 'pile':
    case 'suede':
      return (x, y) => {
        const nap = grain(x, y * 0.45, look === 'pile' ? 0.3 : 0.18)
        const swept = grain(x, y, 6)
        return told((look === 'pile' ? 0.14 : 0.04) * nap, 0.78 + 0.22 * nap + 0.14 * (swept - 0.5))
      }
    case 'leather':
      return (x, y) => {
        // Pebbles with creases between them: near the border of two cells of the noise it is low.
        const cell = grain(x, y, 0.7) + 0.5 * grain(x + 40, y, 0.33)
        const crease = Math.abs(((cell * 5) % 1) - 0.5) * 2
        return told(0.03 * Math.min(1, crease * 2.5), 0.9 + 0.1 * Math.min(1, crease * 2))
      }
    case 'film':
      return (x, y) => told(0.02 * grain(x, y, 4), 0.97 + 0.03 * grain(x, y, 2))
    case 'net':
      return (x, y) => {
        const [column, row] = [x / pitch, y / pitch]
        const near = Math.min(Math.abs(column - Math.round(column)), Math.abs(row - Math.round(row))) * pitch
        const strand = Math.max(0, 1 - near / 0.11)
        // Through the holes one sees what lies beneath.
        return told(
          0.1 * Math.sqrt(strand) - 0.1,
          strand > 0 ? 0.95 + 0.05 * scatter(Math.round(column), Math.round(row), seed) : 0.3,
        )
      }
  }
}
