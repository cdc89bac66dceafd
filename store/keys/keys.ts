import { createHash } from 'node:crypto'
import type { Kysely, Transaction } from 'kysely'
import type { KeyPurpose } from '@/core/people/key'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

export const digestOf = (secret: string): string => createHash('sha256').update(secret).digest('hex')

export interface AccessKey {
  readonly siteId: string
  readonly keyId: string
  readonly purpose: KeyPurpose
  readonly machineId?: string
  readonly name: string
  readonly madeBy: string
  readonly madeAt: Date
  readonly endedAt?: Date
  /** to a quarter of an hour; absent: nothing has come with it yet */
  readonly usedAt?: Date
}

/** A calendar asks every few minutes: not each time is worth a write. */
const USED_TO_MS = 15 * 60_000

/** The key that this secret belongs to, while it is in force and for this purpose only; that it was used now is noted. */
export async function openWith(
  store: Reader,
  purpose: KeyPurpose,
  secret: string,
  now: Date,
): Promise<AccessKey | undefined> {
  const row = await store
    .selectFrom('access_key')
    .selectAll()
    .where('secret_digest', '=', digestOf(secret))
    .where('purpose', '=', purpose)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (!row) return undefined
  if (!row.used_at || now.getTime() - row.used_at.getTime() >= USED_TO_MS)
    await store
      .updateTable('access_key')
      .set({ used_at: now })
      .where('site_id', '=', row.site_id)
      .where('key_id', '=', row.key_id)
      .execute()
  return asKey(row)
}

/** Every key of a venue, newest first, those that were ended too. */
export async function readKeys(store: Reader, siteId: string): Promise<AccessKey[]> {
  const rows = await store
    .selectFrom('access_key')
    .selectAll()
    .where('site_id', '=', siteId)
    .orderBy('made_at', 'desc')
    .execute()
  return rows.map(asKey)
}

/** The machines that have a run meter, each with the moment (ISO) from which it may write. */
export async function readMeters(store: Reader, siteId: string): Promise<ReadonlyMap<string, string>> {
  const keys = await readKeys(store, siteId)
  // A meter that got another key goes on under the newer one, which comes first.
  return new Map(
    keys
      .toReversed()
      .flatMap(({ purpose, machineId, madeAt, endedAt }) =>
        purpose === 'run-meter' && machineId && !endedAt ? [[machineId, madeAt.toISOString()] as const] : [],
      ),
  )
}

const asKey = (row: {
  site_id: string
  key_id: string
  purpose: string
  machine_id: string | null
  name: string
  made_by: string
  made_at: Date
  ended_at: Date | null
  used_at: Date | null
}): AccessKey => ({
  siteId: row.site_id,
  keyId: row.key_id,
  purpose: row.purpose as KeyPurpose,
  ...(row.machine_id !== null && { machineId: row.machine_id }),
  name: row.name,
  madeBy: row.made_by,
  madeAt: row.made_at,
  ...(row.ended_at !== null && { endedAt: row.ended_at }),
  ...(row.used_at !== null && { usedAt: row.used_at }),
})
