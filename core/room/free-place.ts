export interface Place {
  readonly x: number
  readonly y: number
}

/** The next free table, row by row, four to a row; tenths of a metre. */
export function freePlace(taken: readonly Place[]): Place {
  for (let row = 0; ; row += 1) {
    for (let column = 0; column < 4; column += 1) {
      const place = { x: 14 + column * 24, y: 9 + row * 17 }
      if (!taken.some(({ x, y }) => Math.abs(x - place.x) < 20 && Math.abs(y - place.y) < 15)) return place
    }
  }
}
