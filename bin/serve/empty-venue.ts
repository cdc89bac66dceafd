import { connect } from '@/store/connect'
import { createSite } from '@/store/site/create-site'

/** A second venue in which nothing stands yet, for the tests of a first day. */
export const EMPTY_VENUE = { email: 'coordinator@empty.example', password: 'an-empty-room-1' } as const

export async function addEmptyVenue(databaseUrl: string): Promise<void> {
  const store = connect(databaseUrl)
  await store
    .transaction()
    .execute((tx) =>
      createSite(tx, { code: 'empty', name: 'The Empty Loft', timeZone: 'UTC' }, { name: 'Noor', ...EMPTY_VENUE }),
    )
  await store.destroy()
}
