/** Larger photographs are refused before they are unpacked. */
export const MOST_PHOTOGRAPH_PIXELS = 50_000_000

/** What phones call their own kind of photograph, in a file's first box. */
const HEIC_BRANDS: ReadonlySet<string> = new Set(['heic', 'heix', 'hevc', 'hevx'])

/** Whether a file is a photograph as many phones keep it (HEIC), told by its first bytes. Source: ISO/IEC 14496-12, the file type box. */
export function isHeic(bytes: Uint8Array): boolean {
  const text = (from: number) => String.fromCharCode(...bytes.subarray(from, from + 4))
  if (bytes.length < 16 || text(4) !== 'ftyp') return false
  const long = Math.min(bytes.length, new DataView(bytes.buffer, bytes.byteOffset).getUint32(0), 64)
  // Its own brand, a version, then those that it is compatible with.
  for (let at = 8; at + 4 <= long; at += 4) if (at !== 12 && HEIC_BRANDS.has(text(at))) return true
  return false
}
