import { sql, type Kysely } from 'kysely'

/** When coordinators were last written to of a night's work that was not done: a screen tells those alone who look. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table night_work add column told_at timestamptz`.execute(db)
}
