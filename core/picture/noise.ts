/** A number from 0 to 1 that follows from where it is and from the seed alone. */
export function scatter(x: number, y: number, seed: number): number {
  let mixed = Math.imul(x | 0, 0x27d4eb2d) ^ Math.imul(y | 0, 0x165667b1) ^ Math.imul(seed | 0, 0x9e3779b1)
  mixed = Math.imul(mixed ^ (mixed >>> 15), 0x85ebca6b)
  mixed = Math.imul(mixed ^ (mixed >>> 13), 0xc2b2ae35)
  return ((mixed ^ (mixed >>> 16)) >>> 0) / 4_294_967_296
}

const ease = (part: number): number => part * part * (3 - 2 * part)

/** Smooth noise, 0 … 1, that changes over a distance of about one. */
export function drift(x: number, y: number, seed: number): number {
  const column = Math.floor(x)
  const row = Math.floor(y)
  const across = ease(x - column)
  const down = ease(y - row)
  const top = scatter(column, row, seed) * (1 - across) + scatter(column + 1, row, seed) * across
  const foot = scatter(column, row + 1, seed) * (1 - across) + scatter(column + 1, row + 1, seed) * across
  return top * (1 - down) + foot * down
}

/** The same along one row or column of its grid: half the work. */
export function driftAlong(row: number, x: number, seed: number): number {
  const column = Math.floor(x)
  const part = x - column
  const before = scatter(column, row, seed)
  return before + (scatter(column + 1, row, seed) - before) * part * part * (3 - 2 * part)
}

/** A row of numbers from 0 to 1, the same for the same seed. */
export function chanceOf(seed: number): () => number {
  let drawn = 0
  return () => scatter((drawn += 1), 7919, seed)
}
