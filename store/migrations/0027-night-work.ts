import { sql, type Kysely } from 'kysely'

/** What is done by itself each night, of the whole server: when it was last tried and done, and what stood in the way. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`create table night_work (
     work text primary key check (work in ('tidying', 'erasing', 'copying')),
     tried_at timestamptz not null,
     done_at timestamptz,
     trouble text
   )`.execute(db)
}
