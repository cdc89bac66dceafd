/** A machine's photograph is made as small as a page shows it before it is sent. */
export const PHOTOGRAPH_MOST_LETTERS = 180_000

export const bytesOf = (photograph: string): Uint8Array =>
  Uint8Array.from(atob(photograph.slice(photograph.indexOf(',') + 1)), (letter) => letter.charCodeAt(0))

const [END, SCAN, FRAME, PROFILE, COMMENT] = [0xd9, 0xda, 0xe0, 0xe2, 0xfe]
const WHAT_COLOURS_MEAN = 'ICC_PROFILE\0'

/**
 * Whether a JPEG says more than how something looks: where, when or with what it was taken, or a comment. What is no JPEG at all
 * does, since nobody knows what it says. Source: ITU-T T.81, annex B.
 */
export function saysMoreThanItShows(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xff || bytes[1] !== 0xd8) return true
  let at = 2
  while (at + 4 <= bytes.length) {
    if (bytes[at] !== 0xff) return true
    const marker = bytes[at + 1]!
    const profile =
      marker === PROFILE &&
      [...WHAT_COLOURS_MEAN].every((letter, index) => bytes[at + 4 + index] === letter.charCodeAt(0))
    // Sixteen kinds of segment are for programs to write into; the first says how large a dot is, another what colours mean.
    if (marker === COMMENT || (marker > FRAME && marker <= FRAME + 15 && !profile)) return true
    // After its end a file could say whatever it liked.
    if (marker === END) return true
    at += 2 + bytes[at + 2]! * 256 + bytes[at + 3]!
    if (marker === SCAN) while (at < bytes.length && !isMarker(bytes, at)) at += 1
  }
  return !(at + 2 === bytes.length && bytes[at] === 0xff && bytes[at + 1] === END)
}

/** Within a scan a byte of ones is followed by nothing, or says that the count begins anew. */
const isMarker = (bytes: Uint8Array, at: number): boolean => {
  const next = bytes[at + 1] ?? 0
  return bytes[at] === 0xff && next !== 0 && !(next >= 0xd0 && next <= 0xd7)
}
