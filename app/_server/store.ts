import 'server-only'
import pino from 'pino'
import { connect, type Store } from '@/store/connect'
import { settings } from './settings'

export const journal = pino({ name: 'orthodex', level: process.env['ORTHODEX_LOG'] ?? 'info' })

const held = globalThis as { orthodexStore?: Store }

/** The one pool of this process, made at the first question. */
export const theStore = (): Store =>
  (held.orthodexStore ??= connect(
    settings.databaseUrl,
    (error) => journal.warn(error, 'a database connection was lost'),
    true,
  ))
