import { create as createCode } from 'qrcode'
import type { Cloth } from '@/core/picture/cloth'
import { drawFace } from '@/core/picture/face'
import { chanceOf, drift } from '@/core/picture/noise'
import { byteOf, colourOf, linearOf, type Colour, type Picture } from '@/core/picture/picture'
import { sewFace, type SewnSeam } from '@/core/picture/sewn-face'

/** A swatch on a table with its tag beside it, and a camera above it. Lengths in mm. */
export interface CameraScene {
  readonly seed: number
  readonly seam: SewnSeam
  readonly cloth: Cloth
  /** lustre 0 … 1 */
  readonly own: { readonly hex: string; readonly lustre: number }
  readonly other: { readonly hex: string; readonly lustre: number }
  /** of the swatch */
  readonly widthMm: number
  readonly heightMm: number
  /** what the code of the tag says; absent: no tag lies there */
  readonly tag?: string
  /** a crease across the code */
  readonly creased?: boolean
  readonly pxPerMm: number
  /** degrees */
  readonly tilt: number
  readonly turn: number
  /** standard deviation, mm on the table */
  readonly blurMm: number
  /** of full light */
  readonly noise: number
  /** how dark the shadow across one side is; 0 none */
  readonly shadow: number
  readonly light: Colour
  /** spots that shine, of the seam's length */
  readonly glare: number
  readonly pucker: number
}

export interface Photograph {
  readonly picture: Picture
  readonly truth: { readonly lengths: readonly number[]; readonly skipped: number; readonly holes: number }
}

const CAMERA_MM = 320
const TAG_MM = 20
const CARD_MM = 27

/** A photograph with what is true of it. The same scene is the same photograph. */
export function photograph(scene: CameraScene): Photograph {
  const { seed, pxPerMm } = scene
  const chance = chanceOf(seed + 17)
  const sewn = sewFace(scene.seam, seed)
  const finest = Math.min(26, Math.max(14, pxPerMm))
  const swatch = drawFace({
    widthMm: scene.widthMm,
    heightMm: scene.heightMm,
    pxPerMm: finest,
    cloth: scene.cloth,
    own: { colour: colourOf(scene.own.hex), lustre: scene.own.lustre },
    other: { colour: colourOf(scene.other.hex), lustre: scene.other.lustre },
    face: sewn,
    holeMm: 0.75,
    pucker: scene.pucker,
    seed,
  })
  const code = scene.tag === undefined ? undefined : createCode(scene.tag, { errorCorrectionLevel: 'M' }).modules
  // The table is seen so wide that swatch and tag are in it.
  const viewWidth = scene.widthMm + 26
  const viewHeight = scene.heightMm + CARD_MM + 22
  const [width, height] = [Math.round(viewWidth * pxPerMm), Math.round(viewHeight * pxPerMm)]
  const place = viewOf(scene, width, height, chance() * 6.3)
  const swatchAt = { x: -scene.widthMm / 2, y: -viewHeight / 2 + 8 }
  const cardAt = { x: -scene.widthMm / 2 + chance() * (scene.widthMm - CARD_MM), y: swatchAt.y + scene.heightMm + 4 }
  const codeAt = { x: cardAt.x + (CARD_MM - TAG_MM) / 2, y: cardAt.y + (CARD_MM - TAG_MM) / 2 }
  const light = new Float32Array(width * height * 3)
  const crease = { x: codeAt.x + 6 + chance() * 8, lean: (chance() - 0.5) * 1.2 }
  const table: Colour = [0.26 + chance() * 0.2, 0.2 + chance() * 0.16, 0.14 + chance() * 0.12]
  const edge = { ahead: chance() * 6.3, off: (chance() - 0.5) * 40 }
  const spots = Array.from({ length: 3 }, () => ({
    x: swatchAt.x + scene.seam.from + chance() * (scene.seam.to - scene.seam.from),
    y: swatchAt.y + scene.seam.middle,
  }))
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const { x, y } = place(column, row)
      const index = (row * width + column) * 3
      let red: number, green: number, blue: number
      const [sx, sy] = [(x - swatchAt.x) * finest, (y - swatchAt.y) * finest]
      const [cx, cy] = [x - cardAt.x, y - cardAt.y]
      if (sx >= 0 && sy >= 0 && sx < swatch.width - 1 && sy < swatch.height - 1) {
        ;[red, green, blue] = between(swatch, sx, sy)
      } else if (code && cx >= 0 && cy >= 0 && cx < CARD_MM && cy < CARD_MM) {
        const [u, v] = [((x - codeAt.x) / TAG_MM) * code.size, ((y - codeAt.y) / TAG_MM) * code.size]
        const inside = u >= 0 && v >= 0 && u < code.size && v < code.size
        const ink = inside && code.data[Math.floor(v) * code.size + Math.floor(u)] === 1
        const folded = scene.creased === true && Math.abs(x - crease.x - crease.lean * (y - codeAt.y)) < 3.4
        red = green = blue = folded ? 0.5 : ink ? 0.03 : 0.82
      } else {
        const grain = 0.75 + 0.5 * drift(x / 9, y / 1.3, seed + 3)
        ;[red, green, blue] = [table[0] * grain, table[1] * grain, table[2] * grain]
      }
      const far = (x * Math.cos(edge.ahead) + y * Math.sin(edge.ahead) - edge.off) / 9
      const falls =
        (1 - scene.shadow / (1 + Math.exp(-far))) *
        (1 - 0.12 * (((column / width - 0.5) * 2) ** 2 + ((row / height - 0.5) * 2) ** 2))
      let shine = 0
      if (scene.glare > 0)
        for (const spot of spots)
          shine +=
            2.5 *
            Math.exp(
              -(((x - spot.x) / (scene.glare * (scene.seam.to - scene.seam.from) * 0.3)) ** 2) -
                ((y - spot.y) / 6) ** 2,
            )
      light[index] = (red * falls + shine) * scene.light[0]
      light[index + 1] = (green * falls + shine) * scene.light[1]
      light[index + 2] = (blue * falls + shine) * scene.light[2]
    }
  blur(light, width, height, scene.blurMm * pxPerMm)
  const pixels = new Uint8ClampedArray(width * height * 3)
  for (let index = 0; index < light.length; index += 1) {
    // Grain grows with the root of the light.
    const grain = (chance() + chance() + chance() - 1.5) * 2
    pixels[index] = byteOf(light[index]! + grain * scene.noise * Math.sqrt(light[index]! + 0.01))
  }
  return {
    picture: { width, height, pixels },
    truth: { lengths: sewn.stitches, skipped: sewn.skipped, holes: sewn.holes.length },
  }
}

/** The place on the table that a pixel sees: a camera that looks down a little askew. */
function viewOf({ tilt, turn, pxPerMm }: CameraScene, width: number, height: number, towards: number) {
  const [t, a] = [(tilt * Math.PI) / 180, (turn * Math.PI) / 180]
  const focus = CAMERA_MM * pxPerMm
  return (column: number, row: number) => {
    const [u0, v0] = [(column - width / 2) / focus, (row - height / 2) / focus]
    // Turned so that it tilts along one axis, tilted, and turned back.
    const [u, v] = [u0 * Math.cos(towards) + v0 * Math.sin(towards), v0 * Math.cos(towards) - u0 * Math.sin(towards)]
    const over = CAMERA_MM / (Math.cos(t) - v * Math.sin(t))
    const [px, py] = [u * over, (v * Math.cos(t) + Math.sin(t)) * over - CAMERA_MM * Math.tan(t)]
    const [x, y] = [px * Math.cos(towards) - py * Math.sin(towards), py * Math.cos(towards) + px * Math.sin(towards)]
    return { x: x * Math.cos(a) - y * Math.sin(a), y: x * Math.sin(a) + y * Math.cos(a) }
  }
}

function between({ width, pixels }: Picture, x: number, y: number): [number, number, number] {
  const [column, row] = [Math.floor(x), Math.floor(y)]
  const [across, down] = [x - column, y - row]
  const index = (row * width + column) * 3
  const part = (of: number) =>
    (linearOf(pixels[index + of]!) * (1 - across) + linearOf(pixels[index + of + 3]!) * across) * (1 - down) +
    (linearOf(pixels[index + of + width * 3]!) * (1 - across) +
      linearOf(pixels[index + of + width * 3 + 3]!) * across) *
      down
  return [part(0), part(1), part(2)]
}

/** Three running means are nearly a bell. */
function blur(light: Float32Array, width: number, height: number, sigma: number): void {
  const reach = Math.round(Math.sqrt((12 * sigma * sigma) / 3 + 1) / 2 - 0.5)
  if (reach < 1) return
  const pass = (count: number, length: number, start: (line: number) => number, step: number) => {
    const row = new Float32Array(length)
    for (let line = 0; line < count; line += 1)
      for (let part = 0; part < 3; part += 1) {
        const from = start(line) + part
        let sum = 0
        for (let at = -reach; at <= reach; at += 1) sum += light[from + Math.max(0, Math.min(length - 1, at)) * step]!
        for (let at = 0; at < length; at += 1) {
          row[at] = sum / (2 * reach + 1)
          sum +=
            light[from + Math.min(length - 1, at + reach + 1) * step]! - light[from + Math.max(0, at - reach) * step]!
        }
        for (let at = 0; at < length; at += 1) light[from + at * step] = row[at]!
      }
  }
  for (let again = 0; again < 3; again += 1) {
    pass(height, width, (line) => line * width * 3, 3)
    pass(width, height, (line) => line * 3, width * 3)
  }
}
