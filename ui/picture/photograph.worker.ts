import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import {
  faceOnTag,
  readPhotograph,
  type PhotographAsked,
  type PhotographNotRead,
  type PhotographRead,
} from '@/core/camera/read-photograph'
import { CODES_ASKED, tagsIn } from '@/core/camera/tags'
import { isHeic, MOST_PHOTOGRAPH_PIXELS } from '@/core/camera/photograph'
import { Invalid } from '@/core/schema/invalid'

export interface PhotographSent {
  readonly photograph: Blob
  readonly asked: PhotographAsked
}
export type PhotographAnswer =
  | {
      readonly told: PhotographRead | PhotographNotRead
      /** the part of the photograph around what was read, small enough for a screen: how many pixels make one, and where it begins */
      readonly shown: ImageBitmap
      readonly times: number
      readonly from: { readonly x: number; readonly y: number }
    }
  | { readonly wrong: string }

/** More does not show a stitch better, and a telephone has only so much memory. */
const READ_PIXELS = 13_000_000
const SHOWN_SIDE = 1000

// The finder's own program comes from where this one does: nothing is asked of anybody else.
prepareZXingModule({
  overrides: {
    locateFile: () => new URL('zxing-wasm/reader/zxing_reader.wasm', import.meta.url).href,
  },
})

/** The part of a picture in which these places lie, with something of what is around them. */
function around(places: readonly { readonly x: number; readonly y: number }[], wide: number, high: number) {
  const [xs, ys] = [places.map(({ x }) => x), places.map(({ y }) => y)]
  const [left, right, top, foot] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const margin = 0.1 * Math.max(right - left, foot - top)
  const x = Math.max(0, Math.floor(left - margin))
  const y = Math.max(0, Math.floor(top - margin))
  return {
    x,
    y,
    wide: Math.min(wide, Math.ceil(right + margin)) - x,
    high: Math.min(high, Math.ceil(foot + margin)) - y,
  }
}

/** As the browser opens it; what phones keep, most browsers do not, and it is unpacked here. */
const opened = (photograph: Blob): Promise<ImageBitmap> =>
  createImageBitmap(photograph, { imageOrientation: 'from-image' }).catch(async () => {
    const bytes = new Uint8Array(await photograph.arrayBuffer())
    if (!isHeic(bytes))
      throw new Invalid(
        'not-an-image',
        'This is no photograph that can be read here: a PNG, JPEG, WebP or HEIC picture',
      )
    const { unpackHeic } = await import('@/core/camera/heic')
    const { width, height, data } = await unpackHeic(bytes)
    return createImageBitmap(new ImageData(data, width, height))
  })

/** Turned by its own mark; where and with what it was made is not looked at. */
async function answer({ photograph, asked }: PhotographSent): Promise<PhotographAnswer> {
  const whole = await opened(photograph)
  const { width, height } = whole
  if (width * height > MOST_PHOTOGRAPH_PIXELS)
    throw new Invalid('too-large', `A photograph has at most ${MOST_PHOTOGRAPH_PIXELS / 1e6} million pixels`)
  const share = Math.min(1, Math.sqrt(READ_PIXELS / (width * height)))
  const [wide, high] = [Math.round(width * share), Math.round(height * share)]
  const surface = new OffscreenCanvas(wide, high)
  const on = surface.getContext('2d', { willReadFrequently: true })!
  on.drawImage(whole, 0, 0, wide, high)
  whole.close()
  const { data } = on.getImageData(0, 0, wide, high)
  const pixels = new Uint8ClampedArray(wide * high * 3)
  for (let index = 0; index < wide * high; index += 1) {
    pixels[index * 3] = data[index * 4]!
    pixels[index * 3 + 1] = data[index * 4 + 1]!
    pixels[index * 3 + 2] = data[index * 4 + 2]!
  }
  const picture = { width: wide, height: high, pixels }
  const tags = await tagsIn(picture, (image) => readBarcodes(image, CODES_ASKED))
  const named = faceOnTag(tags)
  if (named && asked.face && named !== asked.face)
    throw new Invalid(
      'other-face',
      `The tag says that this is ${named === 'top' ? 'the top' : 'the underside'}: photograph it as that, or lay the other tag beside it`,
    )
  const told = readPhotograph(picture, tags, asked)
  const part = told.read ? around([...told.seen.line, ...told.seen.holes], wide, high) : { x: 0, y: 0, wide, high }
  const times = Math.max(1, Math.max(part.wide, part.high) / SHOWN_SIDE)
  const shown = await createImageBitmap(surface, part.x, part.y, part.wide, part.high, {
    resizeWidth: Math.round(part.wide / times),
    resizeHeight: Math.round(part.high / times),
    resizeQuality: 'medium',
  })
  return { told, shown, times, from: { x: part.x, y: part.y } }
}

self.onmessage = async ({ data }: MessageEvent<PhotographSent>) => {
  try {
    const said = await answer(data)
    self.postMessage(said, { transfer: 'shown' in said ? [said.shown] : [] })
  } catch (error) {
    if (!(error instanceof Invalid)) console.error(error)
    const wrong = error instanceof Invalid ? error.message : 'The photograph could not be read'
    self.postMessage({ wrong } satisfies PhotographAnswer)
  }
}
