import 'server-only'
import { connect, type Store } from '@/store/connect'
import { journal } from './journal'
import { ofProcess } from './of-process'
import { settings } from './settings'

const held = ofProcess<{ store: Store; looks: Map<string, unknown> }>()

/**
 * The one pool of this process, made at the first question, with no wall about a venue: for doors alone, where it is not known yet
 * whose venue is entered, and for what is done to a venue as a whole.
 */
export const everyVenue = (): Store => (held.store ??= connect(settings.databaseUrl, lost, true))

/** What answers from now on may be another database, or an earlier hour of this one: whoever asks is looked at anew. */
function lost(error: Error): void {
  journal.warn(error, 'a database connection was lost')
  held.looks?.clear()
}
