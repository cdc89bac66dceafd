import type { Kysely, Transaction } from 'kysely'
import type { CodeKind } from '@/core/code/code'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** Every id of one kind of thing in a venue (a shelf's is the key of what lies on it), for finding the one whose label was read. */
export async function readIds(store: Reader, siteId: string, kind: CodeKind): Promise<string[]> {
  if (kind === 'machine') {
    const rows = await store.selectFrom('machine').select('machine_id').where('site_id', '=', siteId).execute()
    return rows.map(({ machine_id }) => machine_id)
  }
  if (kind === 'shelf') {
    const rows = await store
      .selectFrom('stock_move')
      .select('item_key')
      .distinct()
      .where('site_id', '=', siteId)
      .execute()
    return rows.map(({ item_key }) => item_key)
  }
  const rows = await store.selectFrom('project').select('project_id').where('site_id', '=', siteId).execute()
  return rows.map(({ project_id }) => project_id)
}
