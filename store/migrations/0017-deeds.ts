import { sql, type Kysely } from 'kysely'

/** What a write was about, so that a coordinator can read who did what. */
const STATEMENTS = [
  `alter table command add column about uuid`,
  `create index command_newest on command (site_id, recorded_at desc)`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
