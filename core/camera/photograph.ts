/** Larger photographs are refused before they are unpacked. */
export const MOST_PHOTOGRAPH_PIXELS = 50_000_000
