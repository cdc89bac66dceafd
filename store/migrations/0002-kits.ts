import { sql, type Kysely } from 'kysely'

/** How much a project sews; drop tests at the room's table. */
const STATEMENTS = [
  `alter table project add column sewn jsonb`,
  `create table drop_test (
    site_id uuid not null references site on delete cascade,
    drop_test_id uuid not null,
    point text not null,
    size_nm numeric(6, 2) not null,
    thread jsonb not null,
    result text not null check (result in ('slides', 'spirals', 'stays')),
    tested_by uuid not null,
    tested_at timestamptz not null,
    primary key (site_id, drop_test_id),
    foreign key (site_id, tested_by) references person
  )`,
  `create index drop_test_newest on drop_test (site_id, tested_at desc)`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
