/** Tables closer than this to the next row, in tenths of a metre, stand in one row of the walk. */
const ROW = 8

interface Placed {
  readonly place: { readonly x: number; readonly y: number }
}

/** The order in which a person walks the room: row by row from the front, each from its left. */
export const inWalkingOrder = (a: Placed, b: Placed): number =>
  Math.round(a.place.y / ROW) - Math.round(b.place.y / ROW) || a.place.x - b.place.x

/**
 * A large hall cut into parts that fit one plan, in walking order.
 * @param most how many machines one part holds at most, at least 1
 * @returns at least one part, though it may be empty
 */
export function partsOf<Thing extends Placed>(machines: readonly Thing[], most: number): Thing[][] {
  const walk = [...machines].sort(inWalkingOrder)
  const parts: Thing[][] = []
  for (let start = 0; start < walk.length; start += most) parts.push(walk.slice(start, start + most))
  return parts.length > 0 ? parts : [[]]
}

/** How far apart two places are, metres; places are tenths of a metre. */
export const metresBetween = (a: Placed['place'], b: Placed['place']): number => Math.hypot(a.x - b.x, a.y - b.y) / 10
