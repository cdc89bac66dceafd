/** What a book says of its run meter, folded line by line: the time itself, from the meter or by hand, and lines that only sewing leaves. */
export interface MeterCounts {
  /** when time was last written down, ISO */
  readonly timeToldAt?: string
  /** the newest moments since at which a swatch was sewn or a turn ended, oldest first, ISO; no more than say that a meter is silent */
  readonly sewnSinceTold?: readonly string[]
}

/**
 * So many say that it is: a swatch is read when it is sewn, and a turn can end without a stitch more, so that two of them may well
 * come after what a meter told last.
 */
const SILENT_FROM = 3

/** Time was written down: whatever was sewn before is told. @param at ISO */
export const timeTold = <Counts extends MeterCounts>(counts: Counts, at: string): Counts => ({
  ...counts,
  timeToldAt: at,
  sewnSinceTold: [],
})

/** Somebody has sewn. @param at ISO */
export const sewn = <Counts extends MeterCounts>(counts: Counts, at: string): Counts => ({
  ...counts,
  sewnSinceTold: [...(counts.sewnSinceTold ?? []), at].slice(-SILENT_FROM),
})

/**
 * Since when (ISO) a machine's run meter has told nothing although somebody sewed, so that its needle seems younger than it is;
 * undefined while nothing speaks against the meter. Time that somebody wrote by hand stands for the meter's.
 * @param since when the meter got its key, ISO
 */
export function silentSince(since: string, { timeToldAt, sewnSinceTold = [] }: MeterCounts): string | undefined {
  const told = timeToldAt !== undefined && Date.parse(timeToldAt) > Date.parse(since) ? timeToldAt : since
  const after = sewnSinceTold.filter((at) => Date.parse(at) > Date.parse(told))
  return after.length >= SILENT_FROM ? told : undefined
}
