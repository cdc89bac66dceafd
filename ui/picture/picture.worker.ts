import { drawFace } from '@/core/picture/face'
import { withAlpha } from '@/core/picture/picture'
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
  const picture = drawFace(swatchScene(shown))
  const { width, height } = picture
  const four = withAlpha(picture)
  const drawn: Drawn = { id, width, height, pixels: four }
  self.postMessage(drawn, { transfer: [four.buffer] })
}
