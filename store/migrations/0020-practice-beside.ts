import { sql, type Kysely } from 'kysely'

/** A practice room opened beside a venue, and thrown away after a while. */
const STATEMENTS = [`alter table site add column practice_of uuid`, `alter table site add column ends_at timestamptz`]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
