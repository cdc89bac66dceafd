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

/** @param paper of the tag, linear; @param ink what a black leaves, which is haze */
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
