import 'server-only'
import { connect, type Store } from '@/store/connect'
import { journal } from './journal'
import { settings } from './settings'

const held = globalThis as { orthodexStore?: Store }

/** The one pool of this process, made at the first question. */
export const theStore = (): Store =>
  (held.orthodexStore ??= connect(
    settings.databaseUrl,
    (error) => journal.warn(error, 'a database connection was lost'),
    true,
  ))
