/** A row of values along a seam: one for each column of its strip. */

/** A running mean of so many columns to each side. */
export function smoothed(values: Float32Array, reach: number): Float32Array {
  const means = new Float32Array(values.length)
  let [sum, count] = [0, 0]
  const wide = Math.max(0, Math.round(reach))
  for (let at = -wide; at < values.length; at += 1) {
    if (at + wide < values.length) {
      sum += values[at + wide]!
      count += 1
    }
    if (at - wide - 1 >= 0) {
      sum -= values[at - wide - 1]!
      count -= 1
    }
    if (at >= 0) means[at] = sum / count
  }
  return means
}

/** Smoothed twice: highest in the middle of what is high, not at an edge of it. */
export const broad = (values: Float32Array, reach: number) => smoothed(smoothed(values, reach), reach)

/** As far above or below its own surroundings as is usual: mean 0, spread 1. */
export function standing(values: Float32Array, reach: number): Float32Array {
  const means = smoothed(values, reach)
  const above = values.map((value, at) => value - means[at]!)
  const spread = Math.sqrt(above.reduce((sum, value) => sum + value * value, 0) / above.length) || 1
  return above.map((value) => value / spread)
}

/** What several signs say together, each by its weight. */
export function sumOf(weights: readonly number[], signs: readonly Float32Array[]): Float32Array {
  const sum = new Float32Array(signs[0]!.length)
  for (const [index, values] of signs.entries())
    for (let column = 0; column < sum.length; column += 1) sum[column]! += values[column]! * weights[index]!
  return sum
}

/** How much a row of values swings about each place as a wave of that length does: highest in the middle of what is high. */
export function swinging(values: Float32Array, length: number): Float32Array {
  const half = Math.max(1, Math.round(length / 2))
  const wave = Float32Array.from({ length: 2 * half + 1 }, (_, at) => Math.cos((Math.PI * (at - half)) / half))
  return values.map((_, at) => {
    let sum = 0
    for (let off = -half; off <= half; off += 1)
      sum += values[Math.max(0, Math.min(values.length - 1, at + off))]! * wave[off + half]!
    return sum
  })
}

/** Stretches of a row over which something is so, each from its first place to the one after its last. */
export function runsOf(length: number, is: (at: number) => boolean): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = []
  for (let at = 0; at < length; at += 1) {
    if (!is(at)) continue
    const last = runs.at(-1)
    if (last?.to === at) last.to += 1
    else runs.push({ from: at, to: at + 1 })
  }
  return runs
}

/** Of how many of the columns near a place a row of values is high. */
export function shareNear(values: Float32Array, middle: number, reach: number): number {
  let [high, count] = [0, 0]
  for (
    let column = Math.max(0, Math.round(middle - reach));
    column <= Math.min(values.length - 1, middle + reach);
    column += 1
  ) {
    high += values[column]! > 0.5 ? 1 : 0
    count += 1
  }
  return high / Math.max(1, count)
}

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length === 0 ? 0 : sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}
