import { sql, type Kysely } from 'kysely'

/** The kept state remembers a machine's last needles; nothing looks for their coming and going in the book any more. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql`drop index machine_event_needles`.execute(db)
}
