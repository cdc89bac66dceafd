import { sql, type Transaction } from 'kysely'
import { tablesInOrder } from '../archive/tables'
import type { Database } from '../database'
import { ofEveryVenue } from '../site-wall'

/** Takes a whole venue away, with the sign-ins of its people and the practice room it has open; of other venues not a row. */
export async function removeSite(tx: Transaction<Database>, siteId: string): Promise<void> {
  const beside = await tx.selectFrom('site').select('site_id').where('practice_of', '=', siteId).execute()
  for (const { site_id } of beside) await removeSite(tx, site_id)
  const everywhere = ofEveryVenue(tx)
  const ask = async <Row>(question: string) => (await sql.raw<Row>(question).execute(everywhere)).rows
  await sql`delete from sign_in_user where id in (select user_id from membership where site_id = ${siteId})`.execute(
    everywhere,
  )
  await sql`select set_config('orthodex.erasing', 'yes', true)`.execute(tx)
  // What names a row goes before it.
  for (const table of (await tablesInOrder(ask, 'site_id')).reverse())
    await sql`delete from ${sql.table(table)} where site_id = ${siteId}`.execute(everywhere)
  await sql`select set_config('orthodex.erasing', 'no', true)`.execute(tx)
}
