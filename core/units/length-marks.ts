/**
 * How a stitch-length dial is numbered: evenly from its lowest to its highest mark, with the millimetres that each of the
 * two makes. A dial that runs backwards makes its longest stitch at its lowest mark.
 */
export interface LengthMarks {
  readonly lowest: number
  readonly highest: number
  readonly step: number
  readonly mmAtLowest: number
  readonly mmAtHighest: number
}

/** @returns the length in mm that a mark makes */
export const lengthAtMark = ({ lowest, highest, mmAtLowest, mmAtHighest }: LengthMarks, mark: number): number =>
  mmAtLowest + ((mark - lowest) / (highest - lowest)) * (mmAtHighest - mmAtLowest)

/** The mark whose length is nearest to `lengthMm`, with the length it makes. */
export function nearestLengthMark(marks: LengthMarks, lengthMm: number): { mark: number; lengthMm: number } {
  const { lowest, highest, step, mmAtLowest, mmAtHighest } = marks
  const wanted = ((lengthMm - mmAtLowest) / (mmAtHighest - mmAtLowest)) * (highest - lowest)
  const most = Math.floor((highest - lowest) / step + 1e-9)
  const steps = Math.min(Math.max(Math.round(wanted / step), 0), most)
  const mark = Number((lowest + steps * step).toFixed(6))
  return { mark, lengthMm: lengthAtMark(marks, mark) }
}
