import { sql, type Kysely } from 'kysely'

/** How a machine looks, where the venue keeps photographs. */
const STATEMENTS = [
  `create table machine_photograph (
     site_id uuid not null,
     machine_id uuid not null,
     picture text not null,
     taken_at timestamptz not null,
     primary key (site_id, machine_id),
     foreign key (site_id, machine_id) references machine (site_id, machine_id)
   )`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
