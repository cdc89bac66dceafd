/**
 * What a bench scale or a thickness gauge says: one line of words, `MASS 2.13 g STABLE` or `THICKNESS 2.40 mm STABLE`.
 * `MOVING` in place of `STABLE` means that the reading has not settled.
 */
export interface DeviceReading {
  readonly quantity: 'mass' | 'thickness'
  /** grams or millimetres */
  readonly value: number
  readonly settled: boolean
}

const LINE = /^(MASS|THICKNESS)\s+(\d+(?:\.\d+)?)\s+(g|mm)\s+(STABLE|MOVING)$/

/** @returns undefined for a line that is no reading, or whose unit is not its quantity's */
export function readDeviceLine(line: string): DeviceReading | undefined {
  const found = LINE.exec(line.trim())
  if (!found) return undefined
  const quantity = found[1] === 'MASS' ? 'mass' : 'thickness'
  if ((quantity === 'mass') !== (found[3] === 'g')) return undefined
  return { quantity, value: Number(found[2]), settled: found[4] === 'STABLE' }
}
