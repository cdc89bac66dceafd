import type { Kysely } from 'kysely'
import type { Database } from '../database'
import { removeSite } from './remove-site'

const DAY_MS = 24 * 3_600_000

/** Practice rooms whose time is over, with everything in them. @returns how many */
export async function prunePractice(store: Kysely<Database>, now: Date): Promise<number> {
  const over = await store
    .selectFrom('site')
    .select('site_id')
    .where('practice', '=', true)
    .where('ends_at', '<', now)
    .execute()
  for (const { site_id } of over) await store.transaction().execute((tx) => removeSite(tx, site_id))
  return over.length
}

/**
 * Takes away what nobody needs any more: sign-ins that have ended, with the address they came from, questions to passkeys that
 * nobody answered, and marks of wrong tries that no limit looks at.
 */
export async function pruneSignIns(store: Kysely<Database>, now: Date): Promise<{ signIns: number; tries: number }> {
  const ended = await store.deleteFrom('sign_in_session').where('expiresAt', '<', now).executeTakeFirst()
  await store.deleteFrom('sign_in_verification').where('expiresAt', '<', now).execute()
  const old = await store
    .deleteFrom('sign_in_rate_limit')
    .where('lastRequest', '<', now.getTime() - DAY_MS)
    .executeTakeFirst()
  return { signIns: Number(ended.numDeletedRows), tries: Number(old.numDeletedRows) }
}
