import 'server-only'
import pino from 'pino'

/** What PostgreSQL adds to an error can hold the very values of a row: names are no matter for a journal. */
export const JOURNAL = {
  name: 'orthodex',
  level: process.env['ORTHODEX_LOG'] ?? 'info',
  redact: { paths: ['err.detail', 'err.where', 'err.hint', 'err.internalQuery', 'err.parameters'], remove: true },
} as const satisfies pino.LoggerOptions

export const journal = pino(JOURNAL)
