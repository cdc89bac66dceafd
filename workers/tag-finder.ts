import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import type { FoundTag } from '@/core/camera/read-photograph'
import type { Picture } from '@/core/picture/picture'
import { smaller } from '@/core/camera/read-photograph'

let ready = false
/** The finder's own program is read from its package: nothing is fetched. */
function prepare(): void {
  if (ready) return
  ready = true
  const path = createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm')
  const file = readFileSync(path)
  prepareZXingModule({
    overrides: { wasmBinary: file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength) },
  })
}

/** A code is looked for in a picture of about so many pixels along its longer side, and in a finer one where none is found. */
const LONGER_SIDES = [1500, 2600]

/** The codes of tags in a photograph; one that is there and cannot be read comes without its text. */
export async function findTags(picture: Picture): Promise<FoundTag[]> {
  prepare()
  let torn: FoundTag[] = []
  for (const side of LONGER_SIDES) {
    const times = Math.max(1, Math.floor(Math.max(picture.width, picture.height) / side))
    const { width, height, pixels } = smaller(picture, times)
    const data = new Uint8ClampedArray(width * height * 4)
    for (let index = 0; index < width * height; index += 1) {
      data[index * 4] = pixels[index * 3]!
      data[index * 4 + 1] = pixels[index * 3 + 1]!
      data[index * 4 + 2] = pixels[index * 3 + 2]!
      data[index * 4 + 3] = 255
    }
    const found = await readBarcodes(
      { data, width, height, colorSpace: 'srgb' },
      {
        formats: ['QRCode'],
        tryHarder: true,
        returnErrors: true,
        maxNumberOfSymbols: 4,
      },
    )
    const tags = found.map(({ text, isValid, position, version }): FoundTag => {
      const { topLeft, topRight, bottomRight, bottomLeft } = position
      const corner = ({ x, y }: { x: number; y: number }) => ({
        x: (x + 0.5) * times - 0.5,
        y: (y + 0.5) * times - 0.5,
      })
      return {
        corners: [corner(topLeft), corner(topRight), corner(bottomRight), corner(bottomLeft)],
        modules: Number(version) > 0 ? 17 + 4 * Number(version) : 0,
        ...(isValid && { text }),
      }
    })
    const whole = tags.filter(({ text }) => text !== undefined)
    if (whole.length > 0) return whole
    torn = tags.length > 0 ? tags : torn
    if (times === 1) break
  }
  return torn
}
