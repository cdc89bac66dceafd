import { drawFace } from '@/core/picture/face'
import { withAlpha } from '@/core/picture/picture'
import { swatchScene, type ShownFace } from '@/core/picture/swatch-scene'
import { symptomFace } from '@/core/picture/symptom-face'
import { ORDINARY_TEST_THREADS } from '@/core/room/venue-settings'

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

// What is run a few times is compiled: the first picture that is asked for is not the first that is drawn.
const READY: ShownFace = { ...symptomFace('bobbin-on-top')!, threads: ORDINARY_TEST_THREADS, pxPerMm: 6 }
for (let time = 0; time < 3; time += 1) drawFace(swatchScene(READY))
