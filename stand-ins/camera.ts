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
  const spotMm = scene.glare * (scene.seam.to - scene.seam.from) * 0.3
  const [cosEdge, sinEdge] = [Math.cos(edge.ahead), Math.sin(edge.ahead)]
  const spots = Array.from({ length: 3 }, () => ({
    x: swatchAt.x + scene.seam.from + chance() * (scene.seam.to - scene.seam.from),
    y: swatchAt.y + scene.seam.middle,
  }))
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const { x, y } = place(column, row)
      const index = (row * width + column) * 3
      let red: number, green: number, blue: number
      // Nothing is made on the way but numbers: a photograph has millions of pixels.
      const sx = (x - swatchAt.x) * finest
      const sy = (y - swatchAt.y) * finest
      const cx = x - cardAt.x
      const cy = y - cardAt.y
      if (sx >= 0 && sy >= 0 && sx < swatch.width - 1 && sy < swatch.height - 1) {
        red = between(swatch, sx, sy, 0)
        green = between(swatch, sx, sy, 1)
        blue = between(swatch, sx, sy, 2)
      } else if (code && cx >= 0 && cy >= 0 && cx < CARD_MM && cy < CARD_MM) {
        const u = ((x - codeAt.x) / TAG_MM) * code.size
        const v = ((y - codeAt.y) / TAG_MM) * code.size
        const inside = u >= 0 && v >= 0 && u < code.size && v < code.size
        const ink = inside && code.data[Math.floor(v) * code.size + Math.floor(u)] === 1
        const folded = scene.creased === true && Math.abs(x - crease.x - crease.lean * (y - codeAt.y)) < 3.4
        red = green = blue = folded ? 0.5 : ink ? 0.03 : 0.82
      } else {
        const grain = 0.75 + 0.5 * drift(x / 9, y / 1.3, seed + 3)
        red = table[0] * grain
        green = table[1] * grain
        blue = table[2] * grain
      }
      const far = (x * cosEdge + y * sinEdge - edge.off) / 9
      const falls =
        (1 - scene.shadow / (1 + Math.exp(-far))) *
        (1 - 0.12 * (((column / width - 0.5) * 2) ** 2 + ((row / height - 0.5) * 2) ** 2))
      let shine = 0
      if (scene.glare > 0)
        for (const spot of spots) {
          const away = ((x - spot.x) / spotMm) ** 2 + ((y - spot.y) / 6) ** 2
          // Farther off it is less than a picture can show.
          if (away < 40) shine += 2.5 * Math.exp(-away)
        }
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
  const t = (tilt * Math.PI) / 180
  const a = (turn * Math.PI) / 180
  const [cosTowards, sinTowards] = [Math.cos(towards), Math.sin(towards)]
  const [cosTilt, sinTilt, tanTilt] = [Math.cos(t), Math.sin(t), Math.tan(t)]
  const [cosTurn, sinTurn] = [Math.cos(a), Math.sin(a)]
  const focus = CAMERA_MM * pxPerMm
  return (column: number, row: number) => {
    const u0 = (column - width / 2) / focus
    const v0 = (row - height / 2) / focus
    // Turned so that it tilts along one axis, tilted, and turned back.
    const u = u0 * cosTowards + v0 * sinTowards
    const v = v0 * cosTowards - u0 * sinTowards
    const over = CAMERA_MM / (cosTilt - v * sinTilt)
    const px = u * over
    const py = (v * cosTilt + sinTilt) * over - CAMERA_MM * tanTilt
    const x = px * cosTowards - py * sinTowards
    const y = px * sinTowards + py * cosTowards
    return { x: x * cosTurn - y * sinTurn, y: x * sinTurn + y * cosTurn }
  }
}

/** @param part red, green or blue: 0, 1, 2. @returns its light between four pixels */
function between({ width, pixels }: Picture, x: number, y: number, part: 0 | 1 | 2): number {
  const column = Math.floor(x)
  const row = Math.floor(y)
  const across = x - column
  const down = y - row
  const above = (row * width + column) * 3 + part
  const below = above + width * 3
  return (
    (linearOf(pixels[above]!) * (1 - across) + linearOf(pixels[above + 3]!) * across) * (1 - down) +
    (linearOf(pixels[below]!) * (1 - across) + linearOf(pixels[below + 3]!) * across) * down
  )
}

/** Three running means are nearly a bell. */
function blur(light: Float32Array, width: number, height: number, sigma: number): void {
  const reach = Math.round(Math.sqrt((12 * sigma * sigma) / 3 + 1) / 2 - 0.5)
  if (reach < 1) return
  for (let again = 0; again < 3; again += 1) {
    for (let row = 0; row < height; row += 1)
      runningMean(light.subarray(row * width * 3, (row + 1) * width * 3), width, 3, reach)
    runningMean(light, height, width * 3, reach)
  }
}

/**
 * The running mean along one way of a picture, of all that lies beside each other at once: memory is read in the order in
 * which it lies, whichever way the mean runs.
 * @param light steps after each other, each of `beside` values; is changed
 */
function runningMean(light: Float32Array, steps: number, beside: number, reach: number): void {
  const mean = new Float32Array(light.length)
  const sums = new Float64Array(beside)
  const at = (step: number) => Math.max(0, Math.min(steps - 1, step)) * beside
  for (let step = -reach; step <= reach; step += 1) {
    const from = at(step)
    for (let index = 0; index < beside; index += 1) sums[index]! += light[from + index]!
  }
  for (let step = 0; step < steps; step += 1) {
    const [to, comes, goes] = [step * beside, at(step + reach + 1), at(step - reach)]
    for (let index = 0; index < beside; index += 1) {
      mean[to + index] = sums[index]! / (2 * reach + 1)
      sums[index]! += light[comes + index]! - light[goes + index]!
    }
  }
  light.set(mean)
}
