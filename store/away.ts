import { Refused } from './refused'

/** What PostgreSQL and its driver say when a question waits too long or nobody is there to answer it. */
const AWAY_CODES: ReadonlySet<string> = new Set([
  '57014', // statement timeout
  '25P03', // idle in transaction
  '25006', // for reading only: one that is still to take over from another
  '40001',
  '40P01',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
])
/** No connection; no room, memory or connection left; shut down, starting up or gone; its disk fails. */
const AWAY_CLASSES = /^(08|53|57P|58)/
const AWAY_WORDS =
  /timeout|timed out|Connection terminated|connection is closed|not currently accepting connections|Client has encountered/i

/**
 * A database that is away or busy, as people are told of it; undefined when the fault is another one. Whoever asks it by way of a
 * library may find its fault wrapped in one of theirs.
 */
export function databaseAway(error: unknown): Refused | undefined {
  if (!(error instanceof Error)) return undefined
  const code = 'code' in error ? String(error.code) : ''
  if (code === '55P03')
    return new Refused(503, 'busy', 'Somebody is writing this very thing just now; it is tried again in a moment')
  if (AWAY_CODES.has(code) || AWAY_CLASSES.test(code) || AWAY_WORDS.test(error.message))
    return new Refused(503, 'away', 'The room’s database does not answer just now; try again in a moment')
  return databaseAway(error.cause)
}
