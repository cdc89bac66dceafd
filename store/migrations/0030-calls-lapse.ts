import { sql, type Kysely } from 'kysely'

/** A call that nobody ended on its day is over all the same, and was not answered; and one in whose place a newer one stands. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`alter table help_call drop constraint help_call_ended_how_check`.execute(db)
  await sql`alter table help_call add constraint help_call_ended_how_check
    check (ended_how in ('done', 'taken-back', 'anew', 'lapsed'))`.execute(db)
}
