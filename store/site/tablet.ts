import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { sql } from 'kysely'
import { TABLET_AWAKE_MINUTES, wrongWithPin } from '@/core/people/pin'
import { Invalid } from '@/core/schema/invalid'
import type { Store } from '../connect'
import { openWith } from '../keys/keys'

export interface Tablet {
  readonly siteId: string
  readonly tabletId: string
  /** as it was called when its key was made */
  readonly name: string
}

/** The tablet that this secret belongs to; undefined when it is none, or none any more. */
export async function readTablet(store: Store, secret: string, now: Date): Promise<Tablet | undefined> {
  const key = await openWith(store, 'room-tablet', secret, now)
  return key && { siteId: key.siteId, tabletId: key.keyId, name: key.name }
}

const holders = (store: Store, siteId: string) =>
  store
    .selectFrom('pin')
    .innerJoin('membership', (join) =>
      join.onRef('membership.site_id', '=', 'pin.site_id').onRef('membership.person_id', '=', 'pin.person_id'),
    )
    .innerJoin('person', (join) =>
      join.onRef('person.site_id', '=', 'pin.site_id').onRef('person.person_id', '=', 'pin.person_id'),
    )
    .where('pin.site_id', '=', siteId)
    .where('membership.ended_at', 'is', null)
    .where('membership.role', '!=', 'learner')

/** Who may hold a tablet of this venue: staff who have a PIN, by name. */
export async function readHolders(store: Store, siteId: string): Promise<{ personId: string; name: string }[]> {
  const rows = await holders(store, siteId).select(['pin.person_id', 'person.name']).orderBy('person.name').execute()
  return rows.map((row) => ({ personId: row.person_id, name: row.name }))
}

export const hasPin = async (store: Store, siteId: string, personId: string): Promise<boolean> =>
  (await readHolders(store, siteId)).some((each) => each.personId === personId)

/**
 * Whose sign-in it is when the PIN is right; undefined when it is not, or they hold no tablet. Both take as long, so that nobody
 * learns by the clock who has one.
 */
export async function holderOf(
  store: Store,
  siteId: string,
  { personId, pin }: { readonly personId: string; readonly pin: string },
): Promise<string | undefined> {
  const row = await holders(store, siteId)
    .select(['pin_hash', 'membership.user_id'])
    .where('pin.person_id', '=', personId)
    .executeTakeFirst()
  const right = await verifyPassword({ hash: row?.pin_hash ?? (await NOBODYS), password: pin })
  return row && right ? row.user_id : undefined
}
const NOBODYS = hashPassword('nobody')

/** @throws Invalid for a PIN that everybody would try first */
export async function setPin(store: Store, siteId: string, personId: string, pin: string, now: Date): Promise<void> {
  const wrong = wrongWithPin(pin)
  if (wrong) throw new Invalid('invalid', wrong, 'pin')
  const row = { pin_hash: await hashPassword(pin), set_at: now }
  await store
    .insertInto('pin')
    .values({ site_id: siteId, person_id: personId, ...row })
    .onConflict((conflict) => conflict.columns(['site_id', 'person_id']).doUpdateSet(row))
    .execute()
}

export const endsAsleep = (now: Date): Date => new Date(now.getTime() + TABLET_AWAKE_MINUTES * 60_000)

/** Somebody touched a tablet that is held: it stays awake from now on for as long as ever. */
export async function keepAwake(store: Store, sessionId: string, now: Date): Promise<void> {
  await store
    .updateTable('sign_in_session')
    .set({ expiresAt: endsAsleep(now) })
    .where('id', '=', sessionId)
    .where(sql`"tabletId"`, 'is not', null)
    .where('expiresAt', '>', now)
    .execute()
}
