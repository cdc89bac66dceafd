import { sql, type Kysely } from 'kysely'

/** A page of a long book is read by these: which corrections name a line, and when the last needles came and went. */
const STATEMENTS = [
  `create index if not exists machine_event_corrects on machine_event (site_id, (body->>'corrects')) where kind = 'correction'`,
  `create index if not exists machine_event_needles on machine_event (site_id, machine_id, happened_at, event_id)
    where kind in ('needle-changed', 'needle-broke')`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
