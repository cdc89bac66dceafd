import { sql, type Kysely } from 'kysely'

/** What the instructor says to the class at the end of a session, for the next. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table session add column said_to_class text`).execute(db)
}
