import { sql, type Kysely } from 'kysely'

/** In what one person measures and weighs, where that is not what their venue does. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw(`alter table person add column units jsonb`).execute(db)
}
