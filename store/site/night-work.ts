import type { Kysely, Selectable } from 'kysely'
import { undoneWork, type NightRecord, type NightTrouble, type NightWork } from '@/core/room/night-work'
import type { Database } from '../database'

/** That one of the night's works was done, or what stood in its way: the day on which it was last done stays. */
export async function noteNightWork(
  store: Kysely<Database>,
  work: NightWork,
  now: Date,
  trouble?: NightTrouble,
): Promise<void> {
  const tried = {
    tried_at: now,
    trouble: trouble ?? null,
    ...(trouble === undefined && { done_at: now, told_at: null }),
  }
  await store
    .insertInto('night_work')
    .values({ work, ...tried })
    .onConflict((conflict) => conflict.column('work').doUpdateSet(tried))
    .execute()
}

/**
 * A server that does this no longer has said so to nobody: it may have lost what told it to, or another that does it may be down.
 * What nothing has tried for so long is promised no more.
 */
const PROMISED_DAYS = 14

export async function forgetNightWork(store: Kysely<Database>, work: NightWork, now: Date): Promise<void> {
  await store
    .deleteFrom('night_work')
    .where('work', '=', work)
    .where('tried_at', '<', new Date(now.getTime() - PROMISED_DAYS * 24 * 3_600_000))
    .execute()
}

/** What this server does each night, and when it last did. */
export async function readNightWork(store: Kysely<Database>): Promise<NightRecord[]> {
  const rows = await store.selectFrom('night_work').selectAll().execute()
  return rows.map(asRecord)
}

const asRecord = ({ work, done_at, trouble }: Selectable<Database['night_work']>): NightRecord => ({
  work,
  ...(done_at && { doneAt: done_at.toISOString() }),
  ...(trouble && { trouble }),
})

/** A letter about what stays undone comes again after so many days. */
export const TOLD_AGAIN_DAYS = 7

/**
 * What is undone and was told to nobody lately; from now on it counts as told, so that of two servers one alone writes.
 * @returns with how to take that back, where no letter could be sent
 */
export async function toTellOfNights(
  store: Kysely<Database>,
  now: Date,
): Promise<{ readonly undone: readonly NightRecord[]; readonly takeBack: () => Promise<unknown> }> {
  const undone = undoneWork(await readNightWork(store), now.toISOString()).map(({ work }) => work)
  if (undone.length === 0) return { undone: [], takeBack: () => Promise.resolve() }
  const rows = await store
    .updateTable('night_work')
    .set({ told_at: now })
    .where('work', 'in', undone)
    .where((row) =>
      row.or([
        row('told_at', 'is', null),
        row('told_at', '<=', new Date(now.getTime() - TOLD_AGAIN_DAYS * 24 * 3_600_000)),
      ]),
    )
    .returningAll()
    .execute()
  const takeBack = () => store.updateTable('night_work').set({ told_at: null }).where('told_at', '=', now).execute()
  return { undone: rows.map(asRecord), takeBack }
}
