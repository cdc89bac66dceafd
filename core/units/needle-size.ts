/** Needle sizes: blade diameter in 1/100 mm ("Nm", here `sizeNm`) and the older number printed beside it (`sizeUs`). */

/** The older number of each size. */
export const OLDER_NUMBER: ReadonlyMap<number, number> = new Map([
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

export class NeedleSizeError extends Error {}

/** The older number of a size; every size the product knows has one. */
export function olderNumber(sizeNm: number): number {
  const sizeUs = OLDER_NUMBER.get(sizeNm)
  if (sizeUs === undefined) throw new NeedleSizeError(`${sizeNm} is no needle size; ${allowedSizes()}`)
  return sizeUs
}

/** The sizes that there are, as an error says them. */
export const allowedSizes = () =>
  `allowed are ${[...OLDER_NUMBER].map((pair) => pair.join('/')).join(' ')}, or either number alone`

/** Both numbers, as the product always shows them. */
export const sizeText = (sizeNm: number): string => `${sizeNm}/${olderNumber(sizeNm)}`
