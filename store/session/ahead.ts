import { sql, type Kysely, type Transaction } from 'kysely'
import type { Database } from '../database'

/** What was said at the end of a session is read until the next one of the class, which may be weeks away. */
const SAID_FOR_MS = 60 * 24 * 3_600_000

/** A text that changes whenever a session to come is planned anew, moved, or something is said of it. */
export async function readAhead(
  store: Kysely<Database> | Transaction<Database>,
  siteId: string,
  now: Date,
): Promise<string> {
  const sessions = await store
    .selectFrom('session')
    .leftJoinLateral(
      (lateral) =>
        lateral
          .selectFrom('session_plan')
          .select((of) => of.fn.max('landed').as('last'))
          .whereRef('session_plan.site_id', '=', 'session.site_id')
          .whereRef('session_plan.session_id', '=', 'session.session_id')
          .as('plan'),
      (join) => join.onTrue(),
    )
    // Each write of a row gives it another version.
    .select(sql<string>`session.xmin::text || ':' || coalesce(plan.last, 0)`.as('version'))
    .where('session.site_id', '=', siteId)
    .where('ends_at', '>', new Date(now.getTime() - SAID_FOR_MS))
    .orderBy('session_id')
    .execute()
  return sessions.map(({ version }) => version).join()
}
