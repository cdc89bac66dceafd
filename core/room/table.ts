/** Tenths of a metre: x from the left wall, y from the front; the middle of a table. */
export interface Place {
  readonly x: number
  readonly y: number
}

export interface TableSize {
  readonly width: number
  readonly height: number
}

export interface Table {
  readonly name: string
  readonly place: Place
  readonly size: TableSize
}

/** A table with its chair, in tenths of a metre. */
export const TABLE: TableSize = { width: 22.5, height: 15.4 }
/** The instructor's own table, smaller. */
export const INSTRUCTOR_TABLE: TableSize = { width: 13, height: 7 }
/** As far as a place may lie from the corner, in tenths of a metre. */
export const FARTHEST = 400

/** The first of these tables that a table of that size would lie over; edges may touch. */
export const tableInTheWay = <Known extends Omit<Table, 'name'>>(
  place: Place,
  size: TableSize,
  tables: readonly Known[],
): Known | undefined =>
  tables.find(
    (other) =>
      Math.abs(other.place.x - place.x) < (other.size.width + size.width) / 2 &&
      Math.abs(other.place.y - place.y) < (other.size.height + size.height) / 2,
  )
