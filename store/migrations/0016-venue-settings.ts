import { sql, type Kysely } from 'kysely'

/** What a venue says of itself: its week, its open days, how long it keeps learners. */
const STATEMENTS = [
  `alter table site add column settings jsonb not null
     default '{"weekStartsOn": 1, "openDays": [0, 1, 2, 3, 4, 5, 6]}'`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
