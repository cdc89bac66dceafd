/**
 * The language in which everything here is said. A build in another one has another file in the place of this one, with the
 * same two things in it (docs/languages.md).
 */

/** as browsers name it: for readers aloud, and for how days are written */
export const LANGUAGE: string = 'en-GB'

/** How names of the code's are read that are not read as they are written. */
export const NAMES: Readonly<Record<string, string>> = {}
