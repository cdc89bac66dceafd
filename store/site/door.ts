import { sql } from 'kysely'
import type { Store } from '../connect'

/** So many wrong tries within a time; further ones are not even looked at. */
export interface DoorLimit {
  readonly most: number
  readonly windowMs: number
}

const QUARTER_HOUR = 15 * 60_000

/**
 * Wrong tries only: whoever knows the way in is never counted. A stranger on one network is slowed down there; from many
 * networks at once an address is closed to devices that were never signed in, and stays open to those that were.
 */
export const DOOR: Readonly<
  Record<
    | 'addressHere'
    | 'addressAnywhere'
    | 'forgotten'
    | 'network'
    | 'classCode'
    | 'site'
    | 'networkOfClass'
    | 'pin'
    | 'tablet',
    DoorLimit
  >
> = {
  addressHere: { most: 10, windowMs: QUARTER_HOUR },
  addressAnywhere: { most: 40, windowMs: QUARTER_HOUR },
  // Letters that a stranger could have sent to somebody.
  forgotten: { most: 3, windowMs: QUARTER_HOUR },
  network: { most: 60, windowMs: QUARTER_HOUR },
  classCode: { most: 40, windowMs: QUARTER_HOUR },
  site: { most: 200, windowMs: QUARTER_HOUR },
  // A whole class misspells its names on one network.
  networkOfClass: { most: 60, windowMs: QUARTER_HOUR },
  // Ten thousand PINs: five tries a quarter of an hour for each person, on all tablets together.
  pin: { most: 5, windowMs: QUARTER_HOUR },
  tablet: { most: 30, windowMs: QUARTER_HOUR },
}

/** Whether any of these doors is closed just now. */
export async function isClosed(
  store: Store,
  tries: readonly (readonly [key: string, limit: DoorLimit])[],
  now = Date.now(),
): Promise<boolean> {
  const rows = await store
    .selectFrom('sign_in_rate_limit')
    .select(['key', 'count', 'lastRequest'])
    .where(
      'key',
      'in',
      tries.map(([key]) => key),
    )
    .execute()
  return tries.some(([key, { most, windowMs }]) =>
    rows.some((row) => row.key === key && row.count >= most && Number(row.lastRequest) >= now - windowMs),
  )
}

/** Counts one wrong try at each of these doors; a window begins with its first. */
export async function countWrong(
  store: Store,
  tries: readonly (readonly [key: string, limit: DoorLimit])[],
  now = Date.now(),
): Promise<void> {
  for (const [key, { windowMs }] of tries) {
    await sql`
      insert into sign_in_rate_limit (id, key, count, "lastRequest") values (${crypto.randomUUID()}, ${key}, 1, ${now})
      on conflict (key) do update set
        count = case when sign_in_rate_limit."lastRequest" < ${now - windowMs} then 1 else sign_in_rate_limit.count + 1 end,
        "lastRequest" = case when sign_in_rate_limit."lastRequest" < ${now - windowMs} then ${now} else sign_in_rate_limit."lastRequest" end`.execute(
      store,
    )
  }
}
