import type { Kysely, Transaction } from 'kysely'
import type { CodeKind } from '@/core/code/code'
import type { Database } from '../database'

type Reader = Kysely<Database> | Transaction<Database>

/** Every id of one kind of thing in a venue, for finding the one whose label was read. */
export async function readIds(store: Reader, siteId: string, kind: CodeKind): Promise<string[]> {
  if (kind === 'machine') {
    const rows = await store.selectFrom('machine').select('machine_id').where('site_id', '=', siteId).execute()
    return rows.map(({ machine_id }) => machine_id)
  }
  const rows = await store.selectFrom('project').select('project_id').where('site_id', '=', siteId).execute()
  return rows.map(({ project_id }) => project_id)
}
