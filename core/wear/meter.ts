/** Lines that stand in a book where somebody has sewn; the time itself stands in `used`, from a run meter or by hand. */
export const SEWING = ['swatch-stitched', 'turn-ended'] as const

/**
 * So many of them a book may hold after what its meter told last: a swatch is read when it is sewn, and a turn can end without a
 * stitch more.
 */
const MOST_BETWEEN = 2

/**
 * Since when (ISO) a machine's run meter has told nothing although somebody sewed, so that its needle seems younger than it is;
 * undefined while nothing speaks against the meter. Time that somebody wrote by hand stands for the meter's.
 * @param since when the meter got its key, ISO
 * @param lines of the machine's book as they count, in any order; `at` is ISO
 */
export function silentSince(
  since: string,
  lines: readonly { readonly kind: 'used' | (typeof SEWING)[number]; readonly at: string }[],
): string | undefined {
  const moment = ({ at }: { readonly at: string }) => Date.parse(at)
  const told = Math.max(Date.parse(since), ...lines.filter(({ kind }) => kind === 'used').map(moment))
  const sewn = lines.filter((line) => line.kind !== 'used' && moment(line) > told)
  return sewn.length > MOST_BETWEEN ? new Date(told).toISOString() : undefined
}
