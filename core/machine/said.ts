import type { Correction, Happening } from './event'

/** What a line says that happened: for a correction what it puts in the place of another, if anything. */
export const saidIn = (line: Happening | Correction): Happening | undefined =>
  line.kind === 'correction' ? line.body.replacement : line
