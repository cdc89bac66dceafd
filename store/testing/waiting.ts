import { sql } from 'kysely'
import type { Store } from '../connect'
import { ofEveryVenue } from '../site-wall'

/** Whether somebody waits just now for what another transaction holds. */
export async function isSomebodyWaiting(store: Store): Promise<boolean> {
  const { rows } = await sql`select 1 from pg_stat_activity
    where datname = current_database() and wait_event_type = 'Lock'`.execute(ofEveryVenue(store))
  return rows.length > 0
}
