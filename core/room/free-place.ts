import { FARTHEST, TABLE, tableInTheWay, type Place, type Table } from './table'

const FIRST: Place = { x: 14, y: 9 }
const STEP: Place = { x: 24, y: 17 }

/** The next free table, row by row, four to a row as long as the hall is deep enough; tenths of a metre. */
export function freePlace(taken: readonly Omit<Table, 'name'>[]): Place {
  for (let first = 0; FIRST.x + first * STEP.x <= FARTHEST; first += 4) {
    for (let y = FIRST.y; y <= FARTHEST; y += STEP.y) {
      for (let column = first; column < first + 4; column += 1) {
        const place = { x: FIRST.x + column * STEP.x, y }
        if (place.x <= FARTHEST && !tableInTheWay(place, TABLE, taken)) return place
      }
    }
  }
  return FIRST
}

/**
 * Places of so many tables in rows of so many, from the front; whatever stands there already is gone around by whole rows.
 * @returns tenths of a metre, in the order of the tables; undefined where the hall is not deep or wide enough
 */
export function inRows(count: number, perRow: number, taken: readonly Omit<Table, 'name'>[]): Place[] | undefined {
  const places: Place[] = []
  for (let y = FIRST.y; places.length < count; y += STEP.y) {
    const wide = Math.min(perRow, count - places.length)
    const row = Array.from({ length: wide }, (_, column) => ({ x: FIRST.x + column * STEP.x, y }))
    if (y > FARTHEST || row.at(-1)!.x > FARTHEST) return undefined
    if (row.every((place) => !tableInTheWay(place, TABLE, taken))) places.push(...row)
  }
  return places
}
