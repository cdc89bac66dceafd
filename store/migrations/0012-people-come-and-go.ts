import { sql, type Kysely } from 'kysely'

/** People are let in by a code that works once, and leave; classes close and open again. */
const STATEMENTS = [
  `create table invitation (
     site_id uuid not null references site on delete cascade,
     invitation_id uuid not null,
     person_id uuid not null,
     kind text not null check (kind in ('join', 'password')),
     role text not null check (role in ('coordinator', 'instructor', 'helper')),
     code_digest text not null unique,
     made_by uuid not null,
     made_at timestamptz(3) not null,
     expires_at timestamptz(3) not null,
     used_at timestamptz(3),
     ended_at timestamptz(3),
     primary key (site_id, invitation_id),
     foreign key (site_id, person_id) references person on delete cascade,
     foreign key (site_id, made_by) references person
   )`,
  `create index invitation_open on invitation (site_id, made_at) where used_at is null and ended_at is null`,
  `alter table membership add column ended_at timestamptz(3)`,
  `alter table course add column closed_at timestamptz(3)`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
