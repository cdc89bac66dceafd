import { drawFace } from '@/core/picture/face'
import { swatchScene, type ShownFace } from '@/core/picture/swatch-scene'

/** Draws one face at a time, and answers with its pixels as a canvas takes them. */
export interface DrawAsked {
  readonly id: number
  readonly shown: ShownFace
}
export interface Drawn {
  readonly id: number
  readonly width: number
  readonly height: number
  /** red, green, blue, alpha */
  readonly pixels: Uint8ClampedArray<ArrayBuffer>
}

self.onmessage = ({ data: { id, shown } }: MessageEvent<DrawAsked>) => {
  const { width, height, pixels } = drawFace(swatchScene(shown))
  const four = new Uint8ClampedArray(width * height * 4)
  for (let index = 0; index < width * height; index += 1) {
    four[index * 4] = pixels[index * 3]!
    four[index * 4 + 1] = pixels[index * 3 + 1]!
    four[index * 4 + 2] = pixels[index * 3 + 2]!
    four[index * 4 + 3] = 255
  }
  const drawn: Drawn = { id, width, height, pixels: four }
  self.postMessage(drawn, { transfer: [four.buffer] })
}
