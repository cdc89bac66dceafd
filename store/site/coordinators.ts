import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database'
import { Refused } from '../refused'

/**
 * A venue keeps a coordinator. The site's row is held, so that two coordinators who end each other at once do not both succeed.
 * @throws Refused 409 when nobody but this person is one
 */
export async function mustLeaveACoordinator(
  tx: Transaction<Database>,
  siteId: string,
  personId: string,
): Promise<void> {
  await tx.selectFrom('site').select('site_id').where('site_id', '=', siteId).forUpdate().execute()
  const other = await tx
    .selectFrom('membership')
    .select('person_id')
    .where('site_id', '=', siteId)
    .where('role', '=', 'coordinator')
    .where('ended_at', 'is', null)
    .where('person_id', '!=', personId)
    .executeTakeFirst()
  if (!other)
    throw new Refused(
      409,
      'last-coordinator',
      'A venue keeps one coordinator: make somebody else one first',
      'personId',
    )
}

/** Every coordinator of every venue but those for practice, with the address they sign in with. */
export const readCoordinators = (
  store: Kysely<Database>,
): Promise<{ name: string; email: string; venue: string; timeZone: string }[]> =>
  store
    .selectFrom('membership')
    .innerJoin('sign_in_user', 'sign_in_user.id', 'membership.user_id')
    .innerJoin('site', 'site.site_id', 'membership.site_id')
    .where('membership.role', '=', 'coordinator')
    .where('membership.ended_at', 'is', null)
    .where('site.practice', '=', false)
    .select(['sign_in_user.name', 'sign_in_user.email', 'site.name as venue', 'site.time_zone as timeZone'])
    .orderBy('site.site_id')
    .orderBy('sign_in_user.email')
    .execute()
