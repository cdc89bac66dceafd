import { sql, type Kysely } from 'kysely'

/** Bags, learners of a class and sessions are put away and taken out again; whatever names them still finds them. */
const STATEMENTS = ['project', 'enrolment', 'session'].map(
  (table) => `alter table ${table} add column put_away_at timestamptz(3), add column put_away_by uuid`,
)

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
