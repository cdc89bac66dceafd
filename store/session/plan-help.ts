import { sql, type Kysely } from 'kysely'
import type { Help } from '@/core/session/session-plan'
import type { Database } from '../database'

/** What would help most is found after a plan is kept, and is written beside it: its seats stay what they are. */
export async function addHelp(
  store: Kysely<Database>,
  siteId: string,
  planId: string,
  help: readonly Help[],
): Promise<void> {
  await store
    .updateTable('session_plan')
    .set({ plan: sql<string>`jsonb_set(plan, '{proof,help}', ${JSON.stringify(help)}::jsonb)` })
    .where('site_id', '=', siteId)
    .where('plan_id', '=', planId)
    .where(sql<boolean>`plan ? 'proof'`)
    .execute()
}
