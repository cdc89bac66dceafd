import { open, readFile, stat } from 'node:fs/promises'
import sharp from 'sharp'
import { isHeic, MOST_PHOTOGRAPH_PIXELS } from '@/core/camera/photograph'
import { Invalid } from '@/core/schema/invalid'
import type { Picture } from '@/core/picture/picture'
import { unpackHeic } from '@/core/camera/heic'

const MOST_BYTES = 80_000_000
/** What is read; each is told by its own first bytes and not by its name. */
const KINDS: ReadonlySet<string> = new Set(['png', 'jpeg', 'webp', 'heif'])

sharp.cache(false)
sharp.concurrency(1)

/**
 * A photograph from a file as rows of pixels, turned by its own mark. Of where and with what it was made nothing is kept.
 * @throws Invalid where the file is no photograph, is cut off, or is too large
 */
export async function openPhotograph(path: string): Promise<Picture> {
  const about = await stat(path).catch(() => undefined)
  if (!about?.isFile()) throw new Invalid('not-found', `There is no file "${path}"`)
  if (about.size > MOST_BYTES) throw new Invalid('too-large', `A photograph has at most ${MOST_BYTES / 1e6} megabytes`)
  const heic = await heicOf(path)
  if (heic) return heic
  const image = sharp(path, { limitInputPixels: false, failOn: 'truncated', sequentialRead: true })
  const { format, width, height, pages } = await image.metadata().catch(() => {
    throw new Invalid('not-an-image', 'This is no photograph that can be read: PNG, JPEG, WebP or HEIC')
  })
  if (!KINDS.has(format) || (pages ?? 1) > 1)
    throw new Invalid('not-an-image', 'This is no photograph that can be read: PNG, JPEG, WebP or HEIC')
  if (width * height > MOST_PHOTOGRAPH_PIXELS)
    throw new Invalid(
      'too-large',
      `A photograph has at most ${MOST_PHOTOGRAPH_PIXELS / 1e6} million pixels; this one has ${Math.round((width * height) / 1e6)}`,
    )
  const { data, info } = await image
    .autoOrient()
    .flatten({ background: '#808080' })
    .toColourspace('srgb')
    .removeAlpha()
    .raw({ depth: 'uchar' })
    .toBuffer({ resolveWithObject: true })
    .catch(() => {
      throw new Invalid('cut-off', 'The photograph ends before it should, or is damaged')
    })
  if (info.channels !== 3) throw new Invalid('not-an-image', 'This is no photograph in colour')
  // As every other picture keeps its pixels: loops over two kinds of arrays are compiled twice.
  return {
    width: info.width,
    height: info.height,
    pixels: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
  }
}

/** What phones keep is in a packing that the picture library here does not open. */
async function heicOf(path: string): Promise<Picture | undefined> {
  const file = await open(path)
  const head = new Uint8Array(64)
  const { bytesRead } = await file.read(head).finally(() => file.close())
  if (!isHeic(head.subarray(0, bytesRead))) return undefined
  const { width, height, data } = await unpackHeic(await readFile(path))
  const pixels = new Uint8ClampedArray(width * height * 3)
  for (let index = 0; index < width * height; index += 1)
    for (let part = 0; part < 3; part += 1) pixels[index * 3 + part] = data[index * 4 + part]!
  return { width, height, pixels }
}
