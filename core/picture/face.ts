import { clothAt, type Cloth } from './cloth'
import type { Flawed } from './flaw'
import { boxMeans } from './means'
import { drift } from './noise'
import { byteOf, type Colour, type Picture } from './picture'
import type { SewnFace, Strand } from './sewn-face'

export interface ThreadLook {
  readonly colour: Colour
  /** 0 dull, as cotton; 1 shining, as rayon */
  readonly lustre: number
}

/** A face of a swatch as it is drawn. Lengths in mm. */
export interface FaceScene {
  readonly widthMm: number
  readonly heightMm: number
  readonly pxPerMm: number
  readonly cloth: Cloth
  readonly own: ThreadLook
  readonly other: ThreadLook
  readonly face: SewnFace
  /** across the needle's hole; leather keeps it open */
  readonly holeMm: number
  /** how much the cloth gathers along the seam; 0: it lies flat */
  readonly pucker: number
  /** what went wrong with it besides */
  readonly flaw?: Pick<Flawed, 'lift' | 'opens'>
  readonly seed: number
}

/** Light falls from the upper left, as on a table by a window. */
const LIGHT = { x: -0.45, y: -0.55, z: 0.7 } as const
/** Threads are plied of strands that wind round once in so many of their own widths. */
const PLY_WIDTHS = 2.6

interface Relief {
  readonly width: number
  readonly height: number
  readonly pxPerMm: number
  /** mm */
  readonly high: Float32Array
  /** how far the cloth is lifted at a place by what gathers it; its threads go with it */
  readonly lift: (x: number, y: number) => number
  /** red, green, blue beside each other, linear */
  readonly colour: Float32Array
  readonly shine: Float32Array
}

/**
 * A face from above, as an eye or a camera sees it: cloth and threads as heights with the colours they have, and one light over
 * them. The same scene is the same picture, to the byte.
 */
export function drawFace(scene: FaceScene): Picture {
  const { widthMm, heightMm, pxPerMm } = scene
  const [width, height] = [Math.round(widthMm * pxPerMm), Math.round(heightMm * pxPerMm)]
  const relief: Relief = {
    lift: gathersOf(scene),
    width,
    height,
    pxPerMm,
    high: new Float32Array(width * height),
    colour: new Float32Array(width * height * 3),
    shine: new Float32Array(width * height),
  }
  layCloth(relief, scene)
  open(relief, scene)
  pierce(relief, scene)
  const looks = { own: scene.own, other: scene.other, cloth: { colour: scene.cloth.colour, lustre: 0 } }
  for (const strand of scene.face.strands) layThread(relief, strand, looks[strand.of])
  return lit(relief)
}

/** Cloth that is gathered along a seam stands in small folds across it. */
function gathersOf({ face, pucker, flaw, seed }: FaceScene): Relief['lift'] {
  const spoilt = flaw?.lift ?? (() => 0)
  if (pucker === 0) return spoilt
  const middle = face.holes.reduce((sum, { y }) => sum + y, 0) / Math.max(1, face.holes.length)
  // Every stitch draws a little of the cloth up between its holes, and the folds run out on both sides of it.
  const fold = Math.max(2.2, 1.15 * (face.stitches[0] ?? 3))
  return (x, y) => {
    const off = Math.abs(y - middle)
    const fades = Math.exp(-((off / 4.5) ** 2))
    const wave = x / fold + 1.6 * drift(x / 7, y / 4, seed + 5) + 0.12 * off
    const stands = Math.sin(2 * Math.PI * wave) * (0.4 + 0.9 * drift(x / 5, 3, seed + 6))
    return spoilt(x, y) + pucker * 0.16 * fades * stands
  }
}

function layCloth({ width, height, pxPerMm, high, colour, lift }: Relief, { cloth, seed }: FaceScene): void {
  const at = clothAt(cloth, seed)
  const { pattern, colour: plain } = cloth
  for (let row = 0; row < height; row += 1) {
    const y = row / pxPerMm
    for (let column = 0; column < width; column += 1) {
      const x = column / pxPerMm
      const { height: lies, tone } = at(x, y)
      const index = row * width + column
      high[index] = lies + lift(x, y)
      const [red, green, blue] = pattern ? pattern(x, y) : plain
      colour[index * 3] = red * tone
      colour[index * 3 + 1] = green * tone
      colour[index * 3 + 2] = blue * tone
    }
  }
}

/** How far below the cloth the table is, mm, and how little light comes there. */
const BENEATH = { mm: 0.9, dark: 0.86 } as const

/** Where the cloth is not there, one sees the table in its shade. */
function open({ width, height, pxPerMm, high, colour }: Relief, { flaw }: FaceScene): void {
  if (!flaw?.opens) return
  for (let row = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1) {
      const opens = flaw.opens(column / pxPerMm, row / pxPerMm)
      if (opens === 0) continue
      const index = row * width + column
      high[index]! -= BENEATH.mm * opens
      for (let part = 0; part < 3; part += 1) colour[index * 3 + part]! *= 1 - BENEATH.dark * opens
    }
}

/** Where the needle went the cloth is pushed aside, and it is dark. */
function pierce({ width, height, pxPerMm, high, colour, lift }: Relief, { face, holeMm }: FaceScene): void {
  const reach = holeMm * 0.9
  for (const hole of face.holes) {
    const lifted = lift(hole.x, hole.y)
    const [left, right] = [
      Math.max(0, Math.floor((hole.x - reach) * pxPerMm)),
      Math.min(width - 1, Math.ceil((hole.x + reach) * pxPerMm)),
    ]
    const [top, foot] = [
      Math.max(0, Math.floor((hole.y - reach) * pxPerMm)),
      Math.min(height - 1, Math.ceil((hole.y + reach) * pxPerMm)),
    ]
    for (let row = top; row <= foot; row += 1)
      for (let column = left; column <= right; column += 1) {
        const far = Math.hypot(column / pxPerMm - hole.x, row / pxPerMm - hole.y) / (holeMm / 2)
        if (far > 1.8) continue
        const index = row * width + column
        const open = Math.max(0, 1 - far ** 2)
        high[index] = lifted * open + high[index]! * (1 - open) - 0.45 * open + (far > 1 ? 0.04 * (1.8 - far) : 0)
        for (let part = 0; part < 3; part += 1) colour[index * 3 + part]! *= 1 - 0.82 * open
      }
  }
}

/** A thread is round, wound of plies, and lies over whatever is lower. */
function layThread(relief: Relief, { places, mm }: Strand, { colour: [red, green, blue], lustre }: ThreadLook): void {
  const { width, height, pxPerMm, high, colour, shine, lift: liftAt } = relief
  const radius = mm / 2
  let before = 0
  for (let step = 0; step + 1 < places.length; step += 1) {
    const [from, to] = [places[step]!, places[step + 1]!]
    const [dx, dy] = [to.x - from.x, to.y - from.y]
    const span = Math.hypot(dx, dy)
    const gathered = liftAt((from.x + to.x) / 2, (from.y + to.y) / 2)
    const squared = Math.max(span * span, 1e-9)
    const left = Math.max(0, Math.floor((Math.min(from.x, to.x) - radius) * pxPerMm))
    const right = Math.min(width - 1, Math.ceil((Math.max(from.x, to.x) + radius) * pxPerMm))
    const top = Math.max(0, Math.floor((Math.min(from.y, to.y) - radius) * pxPerMm))
    const foot = Math.min(height - 1, Math.ceil((Math.max(from.y, to.y) + radius) * pxPerMm))
    for (let row = top; row <= foot; row += 1)
      for (let column = left; column <= right; column += 1) {
        const [x, y] = [column / pxPerMm - from.x, row / pxPerMm - from.y]
        const part = Math.max(0, Math.min(1, (x * dx + y * dy) / squared))
        const [offX, offY] = [x - dx * part, y - dy * part]
        const far2 = offX * offX + offY * offY
        if (far2 > radius * radius) continue
        const lift = Math.sqrt(radius * radius - far2)
        const z = from.z + (to.z - from.z) * part + lift + gathered
        const index = row * width + column
        if (z <= high[index]!) continue
        const across = (dx * y - dy * x) / Math.max(span, 1e-6) / radius
        const wind =
          ((before + span * part) / (mm * PLY_WIDTHS)) * 2 * Math.PI +
          Math.asin(Math.max(-1, Math.min(1, across))) * 1.3
        const ply = Math.cos(wind * 1.5)
        high[index] = z + radius * 0.12 * ply
        const tone = 0.82 + 0.18 * ply * 0.7
        colour[index * 3] = red * tone
        colour[index * 3 + 1] = green * tone
        colour[index * 3 + 2] = blue * tone
        shine[index] = lustre
      }
    before += span
  }
}

/** One light, the shade in what lies deep, and the shine of what is smooth. */
function lit({ width, height, pxPerMm, high, colour, shine }: Relief): Picture {
  const pixels = new Uint8ClampedArray(width * height * 3)
  const around = boxMeans(high, width, height, Math.max(1, Math.round(0.28 * pxPerMm)))
  const size = Math.hypot(LIGHT.x, LIGHT.y, LIGHT.z)
  // Half way between the light and the eye.
  const half = { x: LIGHT.x, y: LIGHT.y, z: LIGHT.z + size }
  const halfSize = Math.hypot(half.x, half.y, half.z)
  for (let row = 0; row < height; row += 1) {
    const [up, down] = [Math.max(0, row - 1), Math.min(height - 1, row + 1)]
    for (let column = 0; column < width; column += 1) {
      const index = row * width + column
      const [before, after] = [Math.max(0, column - 1), Math.min(width - 1, column + 1)]
      const slopeX = ((high[row * width + after]! - high[row * width + before]!) * pxPerMm) / 2
      const slopeY = ((high[down * width + column]! - high[up * width + column]!) * pxPerMm) / 2
      const steep = Math.sqrt(slopeX * slopeX + slopeY * slopeY + 1)
      const facing = Math.max(0, (-slopeX * LIGHT.x - slopeY * LIGHT.y + LIGHT.z) / (steep * size))
      const deep = Math.max(0.35, Math.min(1.1, 1 + (high[index]! - around[index]!) * 1.6))
      const light = (0.42 + 0.72 * facing) * deep
      const glint =
        shine[index]! > 0
          ? shine[index]! * 0.35 * Math.max(0, (-slopeX * half.x - slopeY * half.y + half.z) / (steep * halfSize)) ** 24
          : 0
      pixels[index * 3] = byteOf(colour[index * 3]! * light + glint)
      pixels[index * 3 + 1] = byteOf(colour[index * 3 + 1]! * light + glint)
      pixels[index * 3 + 2] = byteOf(colour[index * 3 + 2]! * light + glint)
    }
  }
  return { width, height, pixels }
}
