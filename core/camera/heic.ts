import heic from 'heic-decode'
import { MOST_PHOTOGRAPH_PIXELS } from './photograph'
import { Invalid } from '../schema/invalid'

/** A photograph unpacked: red, green, blue, alpha for each pixel, turned by its own mark. */
export interface Unpacked {
  readonly width: number
  readonly height: number
  readonly data: Uint8ClampedArray<ArrayBuffer>
}

/**
 * Unpacks a photograph as phones keep it, where neither browser nor server can by themselves.
 * @throws Invalid where it is too large, cut off or damaged
 */
export async function unpackHeic(bytes: Uint8Array): Promise<Unpacked> {
  const damaged = () => new Invalid('cut-off', 'The photograph ends before it should, or is damaged')
  const images = await heic.all({ buffer: bytes }).catch(() => {
    throw damaged()
  })
  try {
    const [first] = images
    if (!first) throw damaged()
    const { width, height } = first
    if (width * height > MOST_PHOTOGRAPH_PIXELS)
      throw new Invalid(
        'too-large',
        `A photograph has at most ${MOST_PHOTOGRAPH_PIXELS / 1e6} million pixels; this one has ${Math.round((width * height) / 1e6)}`,
      )
    return await first.decode().catch(() => {
      throw damaged()
    })
  } finally {
    images.dispose()
  }
}
