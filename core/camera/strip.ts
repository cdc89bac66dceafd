import { boxMeans } from '../picture/means'
import type { Picture } from '../picture/picture'
import { BRIGHT, LEANS, logsUnder, unlike, type Balance, type Shade } from './colours'

/** The seam laid straight: along it from left to right, across it from top to bottom, so many pixels to the millimetre. */
export interface Strip {
  readonly width: number
  readonly height: number
  readonly pxPerMm: number
  /** the row on which the seam lies */
  readonly middle: number
  readonly shades: Float32Array
  /** share of pixels in which some part of the light is more than the photograph holds */
  readonly burnt: Float32Array
}

/** How far to each side of the seam is looked at, mm: a wide zigzag with loops, and the cloth beside it. */
const SIDE_MM = 9

/** Within so much of a strip no perspective is seen, mm. */
const STRAIGHT_MM = 1

/**
 * @param at the pixel of the photograph for a place along and across the seam, mm
 */
export function layStraight(
  picture: Picture,
  balance: Balance,
  lengthMm: number,
  pxPerMm: number,
  at: (along: number, across: number) => { x: number; y: number },
): Strip {
  const width = Math.max(8, Math.round(lengthMm * pxPerMm))
  const height = 2 * Math.round(SIDE_MM * pxPerMm) + 1
  const middle = (height - 1) / 2
  const shades = new Float32Array(width * height * 3)
  const burnt = new Float32Array(width * height)
  const { pixels } = picture
  const lastColumn = picture.width - 2
  const lastRow = picture.height - 2
  const nextRow = picture.width * 3
  const [reds, greens, blues] = logsUnder(balance)
  // From one place asked to the next a table is as good as straight. What follows is done for every pixel of a strip, and makes
  // nothing on its way but numbers.
  const every = Math.max(1, Math.round(STRAIGHT_MM * pxPerMm))
  for (let row = 0, pixel = 0; row < height; row += 1) {
    const across = (row - middle) / pxPerMm
    let after = at(0, across)
    for (let knot = 0; knot < width; knot += every) {
      const before = after
      after = at((knot + every) / pxPerMm, across)
      const stepX = (after.x - before.x) / every
      const stepY = (after.y - before.y) / every
      const last = Math.min(width, knot + every)
      for (
        let column = knot, x = before.x, y = before.y;
        column < last;
        column += 1, x += stepX, y += stepY, pixel += 1
      ) {
        const px = x < 0 ? 0 : x > lastColumn ? lastColumn : x | 0
        const py = y < 0 ? 0 : y > lastRow ? lastRow : y | 0
        const right = Math.max(0, Math.min(1, x - px))
        const down = Math.max(0, Math.min(1, y - py))
        const index = (py * picture.width + px) * 3
        const below = index + nextRow
        const one = (1 - right) * (1 - down)
        const two = right * (1 - down)
        const three = (1 - right) * down
        const four = right * down
        const r = pixels[index]!
        const g = pixels[index + 1]!
        const b = pixels[index + 2]!
        const red =
          reds[r]! * one +
          reds[pixels[index + 3]!]! * two +
          reds[pixels[below]!]! * three +
          reds[pixels[below + 3]!]! * four
        const green =
          greens[g]! * one +
          greens[pixels[index + 4]!]! * two +
          greens[pixels[below + 1]!]! * three +
          greens[pixels[below + 4]!]! * four
        const blue =
          blues[b]! * one +
          blues[pixels[index + 5]!]! * two +
          blues[pixels[below + 2]!]! * three +
          blues[pixels[below + 5]!]! * four
        const into = pixel * 3
        shades[into] = (red + 2 * green + blue) / 4
        shades[into + 1] = red - green
        shades[into + 2] = blue - green
        if (r > 252 && g > 252 && b > 252) burnt[pixel] = 1
      }
    }
  }
  evenOut({ width, height, pxPerMm, middle, shades })
  return { width, height, pxPerMm, middle, shades, burnt }
}

/** The cloth beside a seam from so far to so far off it tells how the light falls along it, and a shadow's edge is so wide, mm. */
const LIGHT_MM = { from: 2.5, to: 6, every: 2, along: 8 } as const

/** Takes out of a strip what light and shadow do along it: a thread in the shade is the same thread. */
function evenOut({ width, height, pxPerMm, middle, shades }: Omit<Strip, 'burnt'>): void {
  const every = Math.max(1, Math.round(LIGHT_MM.every * pxPerMm))
  const [from, to] = [Math.round(LIGHT_MM.from * pxPerMm), Math.min(middle, Math.round(LIGHT_MM.to * pxPerMm))]
  const cells = Math.ceil(width / every)
  const usual = Array.from({ length: cells }, (_, cell) => {
    const values: number[] = []
    for (let row = 0; row < height; row += 3) {
      if (Math.abs(row - middle) < from || Math.abs(row - middle) > to) continue
      for (let column = cell * every; column < Math.min(width, (cell + 1) * every); column += 3)
        values.push(shades[(row * width + column) * 3]!)
    }
    return values.sort((a, b) => a - b)[values.length >> 1] ?? 0
  })
  const wide = Math.round(LIGHT_MM.along / LIGHT_MM.every)
  const light = usual.map((_, cell) => {
    const near = usual.slice(Math.max(0, cell - wide), cell + wide + 1)
    return near.reduce((sum, value) => sum + value, 0) / near.length
  })
  const mean = light.reduce((sum, value) => sum + value, 0) / cells
  for (let column = 0; column < width; column += 1) {
    const at = Math.max(0, Math.min(cells - 1, column / every - 0.5))
    const before = Math.floor(at)
    const after = Math.min(cells - 1, before + 1)
    const more = light[before]! + (light[after]! - light[before]!) * (at - before) - mean
    for (let row = 0; row < height; row += 1) shades[(row * width + column) * 3]! -= more
  }
}

/** What each pixel of a strip is, 0 … 1: the thread of this face, the other thread. What is neither is cloth. */
export interface Members {
  readonly own: Float32Array
  readonly other: Float32Array
  /** how well the threads are told from each other and from the cloth, 0 … 1 */
  readonly apart: number
}

const BINS = 24
const binOf = (value: number, low: number, high: number) =>
  Math.max(0, Math.min(BINS - 1, Math.floor(((value - low) / (high - low)) * BINS)))
/** A shade's place among the shades that cloth has, coarse enough that a photograph fills it. */
const cellOf = (bright: number, red: number, blue: number): number =>
  (binOf(bright, -4.5, 0.5) * BINS + binOf(red, -3, 3)) * BINS + binOf(blue, -3, 3)

/** From here outward nothing of a seam lies, mm. */
const CLOTH_FROM_MM = 5.5

/**
 * Tells thread from cloth by what the cloth beside the seam looks like, whatever is woven into it or printed on it, and the two
 * threads by their colours, learnt once more from the seam itself: dye and light are never quite as they were said.
 */
export function membersOf(strip: Strip, own: Shade, other: Shade): Members {
  const { width, height, pxPerMm, middle, shades } = strip
  const cloth = clothOf(strip)
  const shadeAt = (index: number): Shade => [shades[index * 3]!, shades[index * 3 + 1]!, shades[index * 3 + 2]!]
  const colours = { own, other }
  const near = Math.round(1.2 * pxPerMm)
  for (const name of ['own', 'other'] as const) {
    const like: { shade: Shade; far: number }[] = []
    for (let row = middle - near; row <= middle + near; row += 1)
      for (let column = 0; column < width; column += 2) {
        const shade = shadeAt(row * width + column)
        const far = unlike(shade, colours[name])
        if (far < 1.1 && far < unlike(shade, colours[name === 'own' ? 'other' : 'own']) && cloth(...shade) < 0.25)
          like.push({ shade, far })
      }
    if (like.length < 40) continue
    const median = (part: 0 | 1 | 2) => {
      const values = like.map(({ shade }) => shade[part]).sort((a, b) => a - b)
      return values[Math.floor(values.length / 2)]!
    }
    colours[name] = [median(0), median(1), median(2)]
  }
  const around = [0, 1, 2].map((part) => {
    const one = new Float32Array(width * height)
    for (let index = 0; index < one.length; index += 1) one[index] = shades[index * 3 + part]!
    return boxMeans(one, width, height, Math.round(2.2 * pxPerMm))
  }) as [Float32Array, Float32Array, Float32Array]
  const members = {
    own: onTheWay(shades, around, colours.own),
    other: onTheWay(shades, around, colours.other),
  }
  let mistaken = 0
  let beside = 0
  const away = CLOTH_FROM_MM * pxPerMm
  for (let row = 0, index = 0; row < height; row += 1)
    for (let column = 0; column < width; column += 1, index += 1) {
      const asOwn = members.own[index]!
      const asOther = members.other[index]!
      const at = index * 3
      const asCloth = cloth(shades[at]!, shades[at + 1]!, shades[at + 2]!) * 1.1 + 0.1
      const sum = asOwn + asOther + asCloth
      members.own[index] = asOwn / sum
      members.other[index] = asOther / sum
      if (Math.abs(row - middle) > away) {
        beside += 1
        if (asOwn / sum > 0.5 || asOther / sum > 0.5) mistaken += 1
      }
    }
  const apart =
    Math.min(1, unlike(colours.own, colours.other) / 2) * (1 - Math.min(1, (mistaken / Math.max(1, beside)) * 6))
  return { ...members, apart }
}

/**
 * How much of each pixel is a thread's: how far it lies on the way from the ground around it to the thread's own shade, and how near
 * that way. The edge of a thread, and a thread that is thinner than a pixel, are on the way.
 */
function onTheWay(
  shades: Float32Array,
  [grounds, groundReds, groundBlues]: readonly [Float32Array, Float32Array, Float32Array],
  [thread, threadRed, threadBlue]: Shade,
): Float32Array {
  const ways = new Float32Array(grounds.length)
  for (let index = 0, at = 0; index < ways.length; index += 1, at += 3) {
    const ground = grounds[index]!
    const groundRed = groundReds[index]!
    const groundBlue = groundBlues[index]!
    const v0 = (thread - ground) / BRIGHT
    const v1 = (threadRed - groundRed) / LEANS
    const v2 = (threadBlue - groundBlue) / LEANS
    const long = v0 * v0 + v1 * v1 + v2 * v2
    if (long < 0.3) continue
    const q0 = (shades[at]! - ground) / BRIGHT
    const q1 = (shades[at + 1]! - groundRed) / LEANS
    const q2 = (shades[at + 2]! - groundBlue) / LEANS
    const part = (q0 * v0 + q1 * v1 + q2 * v2) / long
    // What is only darker may be a hole, or shade: a dark thread is darker than either.
    const least = v0 < 0 && v0 * v0 > 0.8 * long ? 0.62 : 0.2
    if (part <= least) continue
    const on = Math.min(part, 1.1)
    const o0 = q0 - on * v0
    const o1 = q1 - on * v1
    const o2 = q2 - on * v2
    const off = o0 * o0 + o1 * o1 + o2 * o2
    ways[index] = Math.min(1, (part - least) / (least > 0.5 ? 0.25 : 0.5)) * Math.exp(-off / 2.2)
  }
  return ways
}

/** A shade beside a usual one is itself so usual: cloth has no edges among shades, and a pale thread on it is still a thread. */
const BESIDE_USUAL = 0.35

/** How usual a shade is in the cloth beside the seam: 1 as usual as any. */
function clothOf({
  width,
  height,
  pxPerMm,
  middle,
  shades,
}: Strip): (bright: number, red: number, blue: number) => number {
  const counts = new Float32Array(BINS ** 3)
  const away = CLOTH_FROM_MM * pxPerMm
  let sum = 0
  for (let row = 0; row < height; row += 1) {
    if (Math.abs(row - middle) < away) continue
    for (let column = 0; column < width; column += 2) {
      const index = (row * width + column) * 3
      counts[cellOf(shades[index]!, shades[index + 1]!, shades[index + 2]!)]! += 1
      sum += 1
    }
  }
  // Usual is what makes up a hundredth of the cloth. A shade stands a little for those beside it as well.
  const usual = Math.max(1, sum * 0.01)
  const spread = new Float32Array(BINS ** 3)
  for (let bright = 0; bright < BINS; bright += 1)
    for (let red = 0; red < BINS; red += 1)
      for (let blue = 0; blue < BINS; blue += 1) {
        const count = counts[(bright * BINS + red) * BINS + blue]!
        if (count === 0) continue
        for (let db = -1; db <= 1; db += 1)
          for (let dr = -1; dr <= 1; dr += 1)
            for (let du = -1; du <= 1; du += 1) {
              const [b, r, u] = [bright + db, red + dr, blue + du]
              if (b < 0 || r < 0 || u < 0 || b >= BINS || r >= BINS || u >= BINS) continue
              spread[(b * BINS + r) * BINS + u]! +=
                db === 0 && dr === 0 && du === 0 ? count : BESIDE_USUAL * Math.min(count, usual)
            }
      }
  return (bright, red, blue) => Math.min(1, spread[cellOf(bright, red, blue)]! / usual)
}
