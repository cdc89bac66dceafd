/**
 * The event by which an open line says that it is still there, and of which build the server is by now: a browser shows nobody that a
 * line is dead whose other end is gone.
 */
export const BEAT = 'beat'
/** How often it comes; proxies do not cut such a line either. */
export const BEAT_MS = 5_000
