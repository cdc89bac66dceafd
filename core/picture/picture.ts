/** A picture as rows of pixels from the top left, three bytes each: red, green, blue, as a screen shows them (sRGB). */
export interface Picture {
  readonly width: number
  readonly height: number
  readonly pixels: Uint8ClampedArray
}

/** Of a pixel's word the byte that says that it is wholly there. */
const OPAQUE = 0xff000000

/** The same picture as a canvas and a finder of codes take it: red, green, blue, and wholly there. */
export function withAlpha({ width, height, pixels }: Picture): Uint8ClampedArray<ArrayBuffer> {
  // A word at a time, in the order of bytes that every machine with a browser has.
  const words = new Uint32Array(width * height)
  for (let index = 0, at = 0; index < words.length; index += 1, at += 3)
    words[index] = OPAQUE | (pixels[at + 2]! << 16) | (pixels[at + 1]! << 8) | pixels[at]!
  return new Uint8ClampedArray(words.buffer)
}

/** Red, green and blue, 0 … 1, linear in light. */
export type Colour = readonly [number, number, number]

const TO_LINEAR = Float32Array.from({ length: 256 }, (_, value) => {
  const part = value / 255
  return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4
})
/** What a byte of a picture is in light. */
export const linearOf = (byte: number): number => TO_LINEAR[byte]!

/** Finely enough that no byte is missed. */
const STEPS = 4096
const TO_BYTE = Uint8ClampedArray.from({ length: STEPS + 1 }, (_, index) => {
  const part = index / STEPS
  return Math.round(255 * (part <= 0.0031308 ? part * 12.92 : 1.055 * part ** (1 / 2.4) - 0.055))
})
/** The byte of a picture for so much light; more than a picture can show is white. */
export const byteOf = (light: number): number =>
  TO_BYTE[light <= 0 ? 0 : light >= 1 ? STEPS : (light * STEPS + 0.5) | 0]!

/** @param hex "#rrggbb" */
export function colourOf(hex: string): Colour {
  const part = (at: number) => linearOf(Number.parseInt(hex.slice(at, at + 2), 16))
  return [part(1), part(3), part(5)]
}
