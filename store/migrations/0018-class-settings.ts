import { sql, type Kysely } from 'kysely'

/** What one class does in its own way: its usual session, its rules for learners. */
const STATEMENTS = [`alter table course add column settings jsonb not null default '{}'`]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
