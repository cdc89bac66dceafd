import { Migrator, type Kysely } from 'kysely'
import * as firstTables from './migrations/0001-first-tables'
import * as kits from './migrations/0002-kits'
import * as careAndFaults from './migrations/0003-care-and-faults'
import * as longBooks from './migrations/0004-long-books'
import * as shelvesAndKeys from './migrations/0005-shelves-and-keys'
import * as peopleLearn from './migrations/0006-people-learn'
import * as evenings from './migrations/0007-evenings'
import * as instructorsTable from './migrations/0008-instructors-table'
import * as needlesRemembered from './migrations/0009-needles-remembered'
import * as callsForHelp from './migrations/0010-calls-for-help'
import * as ordersAndOwners from './migrations/0011-orders-and-owners'
import * as peopleComeAndGo from './migrations/0012-people-come-and-go'
import * as erasing from './migrations/0013-erasing'
import * as putAway from './migrations/0014-put-away'
import * as roomTablet from './migrations/0015-room-tablet'
import * as venueSettings from './migrations/0016-venue-settings'
import * as deeds from './migrations/0017-deeds'
import * as classSettings from './migrations/0018-class-settings'
import * as shelvesPutAway from './migrations/0019-shelves-put-away'
import * as practiceBeside from './migrations/0020-practice-beside'
import * as liveRoom from './migrations/0021-live-room'
import * as leftLines from './migrations/0022-left-lines'
import * as saidToClass from './migrations/0023-said-to-class'
import * as ownUnits from './migrations/0024-own-units'
import * as machinePhotographs from './migrations/0025-machine-photographs'
import * as passkeys from './migrations/0026-passkeys'
import * as nightWork from './migrations/0027-night-work'
import * as keyUsed from './migrations/0028-key-used'
import * as nightsTold from './migrations/0029-nights-told'
import * as callsLapse from './migrations/0030-calls-lapse'
import * as lettersAtNight from './migrations/0031-letters-at-night'
import * as callsFromAnywhere from './migrations/0032-calls-from-anywhere'
import { rebuildOldStates } from './machine/book'
import { raiseRowWall } from './row-wall'
import { ofEveryVenue } from './site-wall'
import type { Database } from './database'

/** In order of their names; a migration that has landed is never changed. */
export const MIGRATIONS = {
  '0001-first-tables': firstTables,
  '0002-kits': kits,
  '0003-care-and-faults': careAndFaults,
  '0004-long-books': longBooks,
  '0005-shelves-and-keys': shelvesAndKeys,
  '0006-people-learn': peopleLearn,
  '0007-evenings': evenings,
  '0008-instructors-table': instructorsTable,
  '0009-needles-remembered': needlesRemembered,
  '0010-calls-for-help': callsForHelp,
  '0011-orders-and-owners': ordersAndOwners,
  '0012-people-come-and-go': peopleComeAndGo,
  '0013-erasing': erasing,
  '0014-put-away': putAway,
  '0015-room-tablet': roomTablet,
  '0016-venue-settings': venueSettings,
  '0017-deeds': deeds,
  '0018-class-settings': classSettings,
  '0019-shelves-put-away': shelvesPutAway,
  '0020-practice-beside': practiceBeside,
  '0021-live-room': liveRoom,
  '0022-left-lines': leftLines,
  '0023-said-to-class': saidToClass,
  '0024-own-units': ownUnits,
  '0025-machine-photographs': machinePhotographs,
  '0026-passkeys': passkeys,
  '0027-night-work': nightWork,
  '0028-key-used': keyUsed,
  '0029-nights-told': nightsTold,
  '0030-calls-lapse': callsLapse,
  '0031-letters-at-night': lettersAtNight,
  '0032-calls-from-anywhere': callsFromAnywhere,
}

/** The migrations that a database still lacks, in their order. */
export async function pendingMigrations(store: Kysely<Database>): Promise<string[]> {
  const db = ofEveryVenue(store)
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } })
  return (await migrator.getMigrations()).filter(({ executedAt }) => !executedAt).map(({ name }) => name)
}

/**
 * Brings a database to the newest tables, and every kept state to the fold of this program: one that was killed between the
 * two heals at its next start. Does nothing when it is there already. Safe to run at the same time twice.
 * @returns the names of the migrations that ran
 * @throws the first migration's error, with nothing of that migration kept
 */
export async function migrate(store: Kysely<Database>): Promise<string[]> {
  const db = ofEveryVenue(store)
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve(MIGRATIONS) } })
  const { error, results = [] } = await migrator.migrateToLatest()
  if (error) throw error instanceof Error ? error : new Error(`The migration failed: ${JSON.stringify(error)}`)
  const ran = results.filter(({ status }) => status === 'Success').map(({ migrationName }) => migrationName)
  await raiseRowWall(store)
  await rebuildOldStates(db)
  return ran
}
