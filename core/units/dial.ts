/** A tension dial in the machine's own marks. */
export interface Dial {
  readonly min: number
  readonly max: number
  readonly normal: number
  readonly step: number
  /** what a screen shows for each stitch on machines that preset tension by stitch */
  readonly byStitch?: Readonly<Record<string, number>>
}

/** One number of an ordinary 0–9 dial, in this dial's marks. */
export const dialUnit = (dial: Pick<Dial, 'min' | 'max'>): number => (dial.max - dial.min) / 9

/**
 * The nearest mark of the dial that lies within `low` … `high` (in marks).
 * Marks start at the dial's minimum. Where no mark lies within, the nearest bound itself.
 */
export function nearestMark(dial: Dial, wanted: number, low: number, high: number): number {
  const slack = dial.step * 1e-6
  const mark = (steps: number) => Number((dial.min + steps * dial.step).toFixed(6))
  const first = Math.ceil((low - dial.min - slack) / dial.step)
  const last = Math.floor((high - dial.min + slack) / dial.step)
  if (first > last) return Math.min(Math.max(wanted, low), high)
  return mark(Math.min(Math.max(Math.round((wanted - dial.min) / dial.step), first), last))
}
