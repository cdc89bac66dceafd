import { linearOf, type Colour } from '../picture/picture'

/**
 * A colour as light and shade leave it: how bright, and which way it leans, in logarithms, so that a shadow moves only the first
 * part. What is nearly black leans nowhere.
 */
export type Shade = readonly [bright: number, red: number, blue: number]

/** Light that is in every black. */
const FLOOR = 0.012

export function shadeOf(red: number, green: number, blue: number): Shade {
  const [r, g, b] = [Math.log(red + FLOOR), Math.log(green + FLOOR), Math.log(blue + FLOOR)]
  return [(r + 2 * g + b) / 4, r - g, b - g]
}

/** How far brightness and leaning may differ in one and the same thread: it is round, and shines. */
export const BRIGHT = 0.75
export const LEANS = 0.3

/** How unlike two shades are; 1 is at the edge of what one thread may be. */
export function unlike(one: Shade, other: Shade): number {
  const bright = (one[0] - other[0]) / BRIGHT
  const red = (one[1] - other[1]) / LEANS
  const blue = (one[2] - other[2]) / LEANS
  return Math.sqrt((bright * bright + red * red + blue * blue) / 2)
}

/** What the light of a photograph does to colours: each part of a pixel is taken so many times. */
export type Balance = readonly [number, number, number]

/** Paper is taken to send back so much of the light. */
const PAPER = 0.82

/** @param paper of the tag, linear */
export const balanceOf = (paper: Colour): Balance => [
  PAPER / Math.max(0.01, paper[0]),
  PAPER / Math.max(0.01, paper[1]),
  PAPER / Math.max(0.01, paper[2]),
]

/** The logarithm of what a byte is in light, under a balance: 256 numbers for each part, since a photograph has many pixels. */
export const logsUnder = (balance: Balance): readonly [Float32Array, Float32Array, Float32Array] => {
  const part = (times: number) =>
    Float32Array.from({ length: 256 }, (_, byte) => Math.log(linearOf(byte) * times + FLOOR))
  return [part(balance[0]), part(balance[1]), part(balance[2])]
}

/** How far apart two colours look to an eye, whatever the light: 0 the same, 1 as black from white. Source: the Oklab space, public domain. */
export function seenApart(one: Colour, other: Colour): number {
  const [a, b] = [seenAs(one), seenAs(other)]
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
}

function seenAs([red, green, blue]: Colour): readonly [number, number, number] {
  const long = Math.cbrt(0.4122214708 * red + 0.5363325363 * green + 0.0514459929 * blue)
  const middle = Math.cbrt(0.2119034982 * red + 0.6806995451 * green + 0.1073969566 * blue)
  const short = Math.cbrt(0.0883024619 * red + 0.2817188376 * green + 0.6299787005 * blue)
  return [
    0.2104542553 * long + 0.793617785 * middle - 0.0040720468 * short,
    1.9779984951 * long - 2.428592205 * middle + 0.4505937099 * short,
    0.0259040371 * long + 0.7827717662 * middle - 0.808675766 * short,
  ]
}
