import { boxMeans } from '../picture/means'
import type { Picture } from '../picture/picture'
import type { Point } from './plane'

/** Light and dark of a mark in the corner of a code, one after the other, in modules. */
const MARK = [1, 1, 3, 1, 1] as const
const MARK_MODULES = 7

/** Of the light of its paper ink sends back less than this, as a screen has it, in any light and through a little blur. */
const INK = 0.6

/** Whether runs of dark and light are as those across a mark. */
function isMark(runs: readonly number[]): boolean {
  const all = runs.reduce((sum, run) => sum + run, 0)
  if (all < 12) return false
  const module = all / MARK_MODULES
  return MARK.every((of, index) => Math.abs(runs[index]! - of * module) < 0.55 * module * Math.sqrt(of))
}

/**
 * The middles of marks that stand in the corners of a code, whether the code itself can be read or not: a tag that is creased
 * still shows some of them.
 * @param picture not larger than is needed to see a module
 */
export function finderMarks(picture: Picture): Point[] {
  const { width, height, pixels } = picture
  const light = new Float32Array(width * height)
  for (let index = 0; index < light.length; index += 1) light[index] = pixels[index * 3 + 1]!
  const around = boxMeans(light, width, height, Math.round(Math.max(width, height) / 40))
  const dark = (column: number, row: number) => light[row * width + column]! < around[row * width + column]! - 12
  /** The runs through a place, up and down. */
  const upAndDown = (column: number, row: number): number[] => {
    const runs = [0, 0, 0, 0, 0]
    for (const step of [-1, 1]) {
      let at = row + (step === 1 ? 1 : 0)
      for (let run = 0; run < 3; run += 1) {
        const wants = run !== 1
        const into = 2 + step * run
        while (at >= 0 && at < height && dark(column, at) === wants) {
          runs[into]! += 1
          at += step
        }
      }
    }
    return runs
  }
  /** Ink is far darker than the paper beside it; the yarns of a cloth are not. */
  const isInk = (from: number, to: number, row: number): boolean => {
    let [least, most] = [255, 0]
    for (let column = from; column < to; column += 1) {
      least = Math.min(least, light[row * width + column]!)
      most = Math.max(most, light[row * width + column]!)
    }
    return least < INK * most
  }
  const marks: { x: number; y: number; size: number }[] = []
  for (let row = 0; row < height; row += 2) {
    let runs: number[] = []
    let [was, long] = [dark(0, row), 0]
    for (let column = 0; column <= width; column += 1) {
      const now = column < width && dark(column, row)
      if (column < width && now === was) {
        long += 1
        continue
      }
      runs = [...runs.slice(-4), long]
      // The last run was dark: five that end with it may be a mark.
      if (was && runs.length === 5 && isMark(runs)) {
        const size = runs.reduce((sum, run) => sum + run, 0)
        const middle = Math.round(column - size / 2)
        if (dark(middle, row) && isInk(column - size, column, row)) {
          const down = upAndDown(middle, row)
          const high = down.reduce((sum, run) => sum + run, 0)
          const y = row + (down[2]! + down[3]! + down[4]! - (down[0]! + down[1]! + down[2]!)) / 2
          if (isMark(down) && high < size * 1.5 && size < high * 1.5) {
            const near = marks.find((mark) => Math.hypot(mark.x - middle, mark.y - y) < size / 2)
            if (!near) marks.push({ x: middle, y, size })
          }
        }
      }
      was = now
      long = 1
    }
  }
  return marks
}
