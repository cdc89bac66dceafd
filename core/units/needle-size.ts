/** Needle sizes: blade diameter in 1/100 mm ("Nm", here `sizeNm`) and the older number printed beside it (`sizeUs`). */

const OLDER_NUMBER: ReadonlyMap<number, number> = new Map([
  [60, 8],
  [65, 9],
  [70, 10],
  [75, 11],
  [80, 12],
  [90, 14],
  [100, 16],
  [110, 18],
  [120, 19],
  [125, 20],
  [130, 21],
  [140, 22],
])

/** Every size that the product knows, ascending. */
export const NEEDLE_SIZES: readonly number[] = [...OLDER_NUMBER.keys()]

/** The household list, in which needle-fit answers. 140 is sold for round shanks only. */
export const HOUSEHOLD_SIZES = [60, 65, 70, 75, 80, 90, 100, 110, 120, 125, 130] as const

export interface NeedleSize {
  readonly sizeNm: number
  readonly sizeUs: number
  /** set when the text pairs two numbers that do not belong together */
  readonly note?: string
}

export class NeedleSizeError extends Error {}

/** The older number of a size; every size the product knows has one. */
export function olderNumber(sizeNm: number): number {
  const sizeUs = OLDER_NUMBER.get(sizeNm)
  if (sizeUs === undefined) throw new NeedleSizeError(`${sizeNm} is no needle size; ${allowed()}`)
  return sizeUs
}

const allowed = () => `allowed are ${[...OLDER_NUMBER].map((pair) => pair.join('/')).join(' ')}, or either number alone`

/** Both numbers, as the product always shows them. */
export const sizeText = (sizeNm: number): string => `${sizeNm}/${olderNumber(sizeNm)}`

/**
 * Reads "80", "12", "80/12" or "12/80", with or without "Nm".
 * @throws NeedleSizeError naming the sizes that exist.
 */
export function parseNeedleSize(text: string): NeedleSize {
  const found = /^(?:nm\s*)?(\d{1,3})(?:\s*\/\s*(\d{1,3}))?(?:\s*nm)?$/i.exec(text.trim())
  const numbers = found ? [found[1], found[2]].filter((part) => part !== undefined).map(Number) : []
  const metric = numbers.filter((number) => OLDER_NUMBER.has(number))
  const older = numbers.filter((number) => !OLDER_NUMBER.has(number))
  const known = (sizeUs: number) => [...OLDER_NUMBER].find(([, us]) => us === sizeUs)?.[0]
  if (numbers.length === 1) {
    const sizeNm = metric[0] ?? known(older[0]!)
    if (sizeNm !== undefined) return { sizeNm, sizeUs: olderNumber(sizeNm) }
  }
  if (numbers.length === 2 && metric.length === 1 && known(older[0]!) !== undefined) {
    const [sizeNm, sizeUs] = [metric[0]!, olderNumber(metric[0]!)]
    if (older[0] === sizeUs) return { sizeNm, sizeUs }
    return {
      sizeNm,
      sizeUs,
      note: `The pack says ${older[0]}, but ${sizeNm} goes with ${sizeUs}: the metric number is taken, measure the blade if in doubt`,
    }
  }
  throw new NeedleSizeError(`"${text}" is no needle size; ${allowed()}`)
}
