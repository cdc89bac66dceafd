import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import type { FoundTag } from '@/core/camera/read-photograph'
import { CODES_ASKED, tagsIn } from '@/core/camera/tags'
import type { Picture } from '@/core/picture/picture'

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

/** The codes of tags in a photograph, on the server and from a shell. */
export function findTags(picture: Picture): Promise<FoundTag[]> {
  prepare()
  return tagsIn(picture, (image) => readBarcodes(image, CODES_ASKED))
}
