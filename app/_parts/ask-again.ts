/** Whether the server has its database again is asked this often, ms. */
export const LOOK_MS = 5_000
/** A page that cannot be drawn although all is there is asked for more and more seldom, up to this, ms. */
export const SELDOM_MS = 5 * 60_000
/** Within this time a page that was asked for is drawn, or has failed. */
const DRAWING_MS = 30_000

/**
 * How long a page that failed waits before it is asked for by itself, ms: longer each time that this very asking failed, and no
 * longer for whoever taps in between.
 * @param beforeMs how long it waited the last time
 * @param sinceAskedMs since it was asked for by itself
 */
export const pauseAfterFailing = (beforeMs: number, sinceAskedMs: number): number =>
  sinceAskedMs < DRAWING_MS ? Math.min(2 * beforeMs, SELDOM_MS) : LOOK_MS
