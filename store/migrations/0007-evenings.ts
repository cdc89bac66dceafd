import { sql, type Kysely } from 'kysely'

/** Evenings as they are planned: who comes, what they need, who sits with whom, and every plan that was made. */
const STATEMENTS = [
  `alter table session add column called_off text`,
  `create index session_by_time on session (site_id, starts_at)`,
  `create table attendance (
    site_id uuid not null,
    session_id uuid not null,
    person_id uuid not null,
    comes text not null,
    from_block integer,
    written_by uuid not null,
    written_at timestamptz(3) not null default now(),
    primary key (site_id, session_id, person_id),
    foreign key (site_id, session_id) references session,
    foreign key (site_id, person_id) references person on delete cascade,
    foreign key (site_id, written_by) references person
  )`,
  `create table person_need (
    site_id uuid not null,
    person_id uuid not null,
    needs jsonb not null,
    written_by uuid not null,
    written_at timestamptz(3) not null default now(),
    primary key (site_id, person_id),
    foreign key (site_id, person_id) references person on delete cascade,
    foreign key (site_id, written_by) references person
  )`,
  `create table seat_pair (
    site_id uuid not null,
    pair_id uuid not null,
    kind text not null,
    one_id uuid not null,
    other_id uuid not null,
    written_by uuid not null,
    written_at timestamptz(3) not null default now(),
    ended_at timestamptz(3),
    primary key (site_id, pair_id),
    foreign key (site_id, one_id) references person on delete cascade,
    foreign key (site_id, other_id) references person on delete cascade,
    foreign key (site_id, written_by) references person
  )`,
  `create table session_plan (
    site_id uuid not null,
    plan_id uuid not null,
    session_id uuid not null,
    based_on uuid,
    plan jsonb not null,
    made_by uuid not null,
    made_at timestamptz(3) not null,
    primary key (site_id, plan_id),
    foreign key (site_id, session_id) references session,
    foreign key (site_id, made_by) references person
  )`,
  `create index session_plan_newest on session_plan (site_id, session_id, made_at desc, plan_id desc)`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
