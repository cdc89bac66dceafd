import { sql, type Kysely } from 'kysely'

/** Where the instructor's own table stands, tenths of a metre like the machines'; null: nobody has said. */
const STATEMENTS = [
  `alter table site add column instructor_x integer`,
  `alter table site add column instructor_y integer`,
  `alter table site add constraint site_instructor check ((instructor_x is null) = (instructor_y is null))`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
