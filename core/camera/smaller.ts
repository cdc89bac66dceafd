import type { Picture } from '../picture/picture'

/** Half a photograph is what is looked at for its tag and for its seam: it is made once, and goes when the photograph goes. */
const halves = new WeakMap<Picture, Picture>()

/** A picture of half the width and height: each of its pixels is the mean of four. */
function halfOf(picture: Picture): Picture {
  const known = halves.get(picture)
  if (known) return known
  const { width, height, pixels } = picture
  const [wide, high] = [width >> 1, height >> 1]
  const into = new Uint8ClampedArray(wide * high * 3)
  // Row upon row, as they lie, and in whole numbers: a photograph has many pixels.
  for (let row = 0, to = 0; row < high; row += 1) {
    let above = row * 2 * width * 3
    let below = above + width * 3
    for (let column = 0; column < wide; column += 1, above += 6, below += 6, to += 3) {
      into[to] = (pixels[above]! + pixels[above + 3]! + pixels[below]! + pixels[below + 3]! + 2) >> 2
      into[to + 1] = (pixels[above + 1]! + pixels[above + 4]! + pixels[below + 1]! + pixels[below + 4]! + 2) >> 2
      into[to + 2] = (pixels[above + 2]! + pixels[above + 5]! + pixels[below + 2]! + pixels[below + 5]! + 2) >> 2
    }
  }
  const half = { width: wide, height: high, pixels: into }
  halves.set(picture, half)
  return half
}

/** So many times smaller at most, by halves alone, which are made quickly and once. */
export const halvings = (times: number): number => 2 ** Math.floor(Math.log2(Math.max(1, times)))

/** So little smaller is not worth the making. */
const WORTH_MAKING = 1.2

/**
 * A photograph made smaller, each of its pixels the mean of those that lie under it.
 * @param times how much larger a pixel becomes, 1 or more; no whole number
 * @returns how many times really: a little less where the rest is not worth the making
 */
export function smaller(picture: Picture, times: number): { readonly picture: Picture; readonly times: number } {
  if (times >= 2) {
    const made = smaller(halfOf(picture), times / 2)
    return { picture: made.picture, times: made.times * 2 }
  }
  if (times < WORTH_MAKING) return { picture, times: 1 }
  return { picture: byArea(picture, times), times }
}

/** As much of each pixel counts as lies under the larger one. @param times more than 1, at most 2 */
function byArea({ width, height, pixels }: Picture, times: number): Picture {
  const [wide, high] = [Math.floor(width / times), Math.floor(height / times)]
  const into = new Uint8ClampedArray(wide * high * 3)
  const columns = sharesOf(wide, times, width)
  const rows = sharesOf(high, times, height)
  // The rows that lie under one are put together first, and then the pixels of that row.
  const long = width * 3
  const together = new Float32Array(long)
  for (let row = 0, to = 0; row < high; row += 1) {
    const top = rows.shares[row * 3]!
    const middle = rows.shares[row * 3 + 1]!
    const foot = rows.shares[row * 3 + 2]!
    const first = rows.first[row]! * long
    const second = first + long
    // The third is often none, and then not in the picture either.
    const third = foot > 0 ? second + long : first
    for (let at = 0; at < long; at += 1)
      together[at] = top * pixels[first + at]! + middle * pixels[second + at]! + foot * pixels[third + at]!
    for (let column = 0; column < wide; column += 1, to += 3) {
      const one = columns.shares[column * 3]!
      const two = columns.shares[column * 3 + 1]!
      const three = columns.shares[column * 3 + 2]!
      const left = columns.first[column]! * 3
      const next = left + 3
      const last = three > 0 ? next + 3 : left
      into[to] = one * together[left]! + two * together[next]! + three * together[last]!
      into[to + 1] = one * together[left + 1]! + two * together[next + 1]! + three * together[last + 1]!
      into[to + 2] = one * together[left + 2]! + two * together[next + 2]! + three * together[last + 2]!
    }
  }
  return { width: wide, height: high, pixels: into }
}

/** Of a row of so many larger pixels, the first that lies under each, and how much of it and of the two after it. */
function sharesOf(count: number, times: number, most: number): { first: Int32Array; shares: Float32Array } {
  const first = new Int32Array(count)
  const shares = new Float32Array(count * 3)
  for (let at = 0; at < count; at += 1) {
    const [from, to] = [at * times, Math.min(most, (at + 1) * times)]
    first[at] = Math.floor(from)
    for (let part = 0; part < 3; part += 1)
      shares[at * 3 + part] =
        Math.max(0, Math.min(to, first[at]! + part + 1) - Math.max(from, first[at]! + part)) / (to - from)
  }
  return { first, shares }
}
