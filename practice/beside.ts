import { randomBytes } from 'node:crypto'
import { v7 as uuid } from 'uuid'
import type { Actor } from '@/store/actor'
import type { Store } from '@/store/connect'
import { tellDeed } from '@/store/people/deeds'
import { removeSite } from '@/store/site/remove-site'
import { freeCode } from '@/store/site/setup'
import { seedDemo } from './seed'

/** A practice room that nobody looks into any more is thrown away. */
const DAYS = 30

export interface OpenedPractice {
  readonly siteId: string
  readonly email: string
  readonly password: string
}

/**
 * Opens a practice room of made-up data on this server; one that the venue has open is thrown away for it.
 * @param openedBy somebody of the venue that opens it, where that stands among what was done; absent: there is none yet
 */
export async function openPractice(store: Store, openedBy: Actor | undefined, now: Date): Promise<OpenedPractice> {
  const practiceOf = openedBy?.siteId
  await throwAway(store, practiceOf)
  const siteId = uuid()
  const code = await freeCode(store, 'practice')
  const password = randomBytes(9).toString('base64url')
  const at = (role: string) => `${role}@${code}.example`
  const emails = { coordinator: at('coordinator'), instructor: at('instructor'), helper: at('helper') }
  const endsAt = new Date(now.getTime() + DAYS * 24 * 3_600_000)
  try {
    await seedDemo(store, now, { siteId, code, password, emails, practiceOf, endsAt })
    if (openedBy) await tellDeed(store, openedBy, 'open-practice-room')
    return { siteId, email: emails.coordinator, password }
  } catch (error) {
    // Half a room teaches nothing; that of somebody who opened one at the same moment is left alone.
    await store.transaction().execute((tx) => removeSite(tx, siteId))
    throw error
  }
}

/** The practice room of a venue, or those that were opened before there was one; whatever somebody did there goes with it. */
async function throwAway(store: Store, practiceOf: string | undefined): Promise<void> {
  const rows = await store
    .selectFrom('site')
    .select('site_id')
    .where('practice', '=', true)
    .where('ends_at', 'is not', null)
    .where('practice_of', practiceOf === undefined ? 'is' : '=', practiceOf ?? null)
    .execute()
  for (const { site_id } of rows) await store.transaction().execute((tx) => removeSite(tx, site_id))
}
