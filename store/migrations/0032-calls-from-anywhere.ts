import { sql, type Kysely } from 'kysely'

/** Whoever has no seat at a machine just now can be hurt, or need somebody, all the same. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table help_call alter column machine_id drop not null`.execute(db)
}
