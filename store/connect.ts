import pg from 'pg'
import { Store } from './venue-store'

export type { Store }

const INT8: number = pg.types.builtins.INT8
const DATE: number = pg.types.builtins.DATE

/** bigint as number (rate-limit times stay far below 2⁵³); dates without a time as text. */
const types: pg.CustomTypesConfig = {
  getTypeParser: (oid: number, format?: 'text' | 'binary'): ((value: string) => unknown) => {
    if (oid === INT8) return Number
    if (oid === DATE) return (text) => text
    return pg.types.getTypeParser(oid, format) as (value: string) => unknown
  },
}

/** How long a question of somebody who waits may take, ms; commands that migrate or rebuild take the time they need. */
const HURRIED = {
  connectionTimeoutMillis: 4_000,
  statement_timeout: 15_000,
  lock_timeout: 3_000,
  idle_in_transaction_session_timeout: 10_000,
  // For a database that is frozen and can time nothing itself.
  query_timeout: 18_000,
  max: 20,
}

/**
 * @param url a PostgreSQL connection string
 * @param onLost told when a connection drops; the pool makes a new one at the next question
 * @param hurried for those that serve people: one slow question or locked row never takes the others down
 */
export function connect(url: string, onLost: (error: Error) => void = () => {}, hurried = false): Store {
  // What is asked at once on one connection goes out at once: a page waits for the way there and back once, not for each question.
  const pool = new pg.Pool({ connectionString: url, types, max: 10, pipeline: true, ...(hurried && HURRIED) })
  pool.on('error', onLost)
  // The pool listens to idle connections only; one that drops between two statements of a write must not end the process.
  pool.on('connect', (client) => client.on('error', onLost))
  return new Store(pool)
}
