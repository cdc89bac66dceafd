import { sql, type Kysely } from 'kysely'

/** When a key last opened something: a calendar that asks no more tells nobody what is due. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table access_key add column used_at timestamptz`.execute(db)
}
