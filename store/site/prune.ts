import type { Kysely } from 'kysely'
import type { Database } from '../database'

const DAY_MS = 24 * 3_600_000

/**
 * Takes away what nobody needs any more: sign-ins that have ended, with the address they came from, and marks of wrong tries
 * that no limit looks at.
 */
export async function pruneSignIns(store: Kysely<Database>, now: Date): Promise<{ signIns: number; tries: number }> {
  const ended = await store.deleteFrom('sign_in_session').where('expiresAt', '<', now).executeTakeFirst()
  const old = await store
    .deleteFrom('sign_in_rate_limit')
    .where('lastRequest', '<', now.getTime() - DAY_MS)
    .executeTakeFirst()
  return { signIns: Number(ended.numDeletedRows), tries: Number(old.numDeletedRows) }
}
