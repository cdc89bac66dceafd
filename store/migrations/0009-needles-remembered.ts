import { sql, type Kysely } from 'kysely'

/** The last needles of a machine are kept beside its state; nothing looks for their coming and going in the book any more. */
const STATEMENTS = [
  `alter table machine_state add column needles_before jsonb not null default '[]'`,
  `drop index machine_event_needles`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
