import { sql, type Kysely } from 'kysely'

/** An empty shelf is put away by a line of its own. */
const STATEMENTS = [
  `alter table stock_move drop constraint stock_move_kind_check`,
  `alter table stock_move add constraint stock_move_kind_check
     check (kind in ('received', 'counted', 'taken', 'adjusted', 'put-away'))`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
