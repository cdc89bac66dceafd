import type { Picture } from '../picture/picture'
import { inside, type Hidden } from './find-seam'
import { median } from './rows'
import type { Strip } from './strip'

/** Whether much of a picture holds more light than it can, besides the tag. */
export function glares({ width, height, pixels }: Picture, hidden: readonly Hidden[]): boolean {
  let burnt = 0
  for (let row = 0; row < height; row += 2)
    for (let column = 0; column < width; column += 2) {
      const index = (row * width + column) * 3
      if (pixels[index]! < 250 || pixels[index + 1]! < 250 || pixels[index + 2]! < 245) continue
      if (!hidden.some((shape) => inside(shape, column, row))) burnt += 1
    }
  return burnt > 0.012 * (width / 2) * (height / 2)
}

/** Of an edge's whole height, how much of it a sharp one climbs from pixel to pixel at its steepest; less is soft. */
const SHARP = 0.36

/** Whether even the plainest edges of a picture take many pixels. */
export function isSoft({ width, height, pixels }: Picture): boolean {
  const edges: { at: number; height: number }[] = []
  for (let row = 2; row + 2 < height; row += 3)
    for (let column = 11; column + 11 < width; column += 3) {
      const at = (row * width + column) * 3 + 1
      edges.push({ at, height: Math.abs(pixels[at + 24]! - pixels[at - 24]!) })
    }
  edges.sort((a, b) => b.height - a.height)
  const plainest = edges.slice(0, Math.ceil(edges.length * 0.005)).filter(({ height: high }) => high > 0)
  const steep = plainest.map(({ at, height: high }) => {
    let most = 0
    for (let off = -24; off <= 24; off += 3)
      most = Math.max(most, Math.abs(pixels[at + off + 3]! - pixels[at + off - 3]!))
    return most / high
  })
  return median(steep) < SHARP
}

/** How much of the seam lies under a glare: columns in which several pixels hold more light than they can. */
export function burntShare({ width, height, middle, pxPerMm, burnt }: Strip): number {
  let columns = 0
  const reach = Math.round(0.8 * pxPerMm)
  for (let column = 0; column < width; column += 1) {
    let sum = 0
    for (let row = Math.max(0, middle - reach); row <= Math.min(height - 1, middle + reach); row += 1)
      sum += burnt[row * width + column]!
    if (sum > reach) columns += 1
  }
  return columns / width
}
