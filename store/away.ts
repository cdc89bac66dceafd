import { Refused } from './refused'

/** What PostgreSQL and its driver say when a question waits too long or nobody is there to answer it. */
const AWAY_CODES: ReadonlySet<string> = new Set([
  '57014', // statement timeout
  '57P01', // shut down
  '57P03', // starting up
  '53300', // too many connections
  '25P03', // idle in transaction
  '40001',
  '40P01',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
])
const AWAY_WORDS = /timeout|timed out|Connection terminated|connection is closed|Client has encountered/i

/** A database that is away or busy, as people are told of it; undefined when the fault is another one. */
export function databaseAway(error: unknown): Refused | undefined {
  if (!(error instanceof Error)) return undefined
  const code = 'code' in error ? String(error.code) : ''
  if (code === '55P03')
    return new Refused(503, 'busy', 'Somebody is writing this very thing just now; it is tried again in a moment')
  if (AWAY_CODES.has(code) || code.startsWith('08') || AWAY_WORDS.test(error.message))
    return new Refused(503, 'away', 'The room’s database does not answer just now; try again in a moment')
  return undefined
}
