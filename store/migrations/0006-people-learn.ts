import { sql, type Kysely } from 'kysely'

/** What people have learnt, as lines of their own, append-only as a machine's are. */
const STATEMENTS = [
  `create table person_event (
    site_id uuid not null,
    event_id uuid not null,
    person_id uuid not null,
    kind text not null,
    body jsonb not null,
    happened_at timestamptz(3) not null,
    written_by uuid not null,
    primary key (site_id, event_id),
    foreign key (site_id, person_id) references person on delete cascade,
    foreign key (site_id, written_by) references person
  )`,
  `create index person_event_person on person_event (site_id, person_id, happened_at, event_id)`,
  `create index machine_event_faults on machine_event (site_id, happened_at) where kind = 'fault-run'`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
