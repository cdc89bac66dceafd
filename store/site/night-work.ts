import type { Kysely } from 'kysely'
import type { NightRecord, NightTrouble, NightWork } from '@/core/room/night-work'
import type { Database } from '../database'

/** That one of the night's works was done, or what stood in its way: the day on which it was last done stays. */
export async function noteNightWork(
  store: Kysely<Database>,
  work: NightWork,
  now: Date,
  trouble?: NightTrouble,
): Promise<void> {
  const tried = { tried_at: now, trouble: trouble ?? null, ...(trouble === undefined && { done_at: now }) }
  await store
    .insertInto('night_work')
    .values({ work, ...tried })
    .onConflict((conflict) => conflict.column('work').doUpdateSet(tried))
    .execute()
}

/** A server that does this no longer promises it to nobody. */
export async function forgetNightWork(store: Kysely<Database>, work: NightWork): Promise<void> {
  await store.deleteFrom('night_work').where('work', '=', work).execute()
}

/** What this server does each night, and when it last did. */
export async function readNightWork(store: Kysely<Database>): Promise<NightRecord[]> {
  const rows = await store.selectFrom('night_work').selectAll().execute()
  return rows.map(({ work, done_at, trouble }) => ({
    work,
    ...(done_at && { doneAt: done_at.toISOString() }),
    ...(trouble && { trouble }),
  }))
}
