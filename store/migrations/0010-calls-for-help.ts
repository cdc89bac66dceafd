import { sql, type Kysely } from 'kysely'

/** A learner's call, and how it went on. Whoever listens on `orthodex_calls` is told which venue has news. */
const STATEMENTS = [
  `create table help_call (
     site_id uuid not null references site on delete cascade,
     call_id uuid not null,
     machine_id uuid not null,
     person_id uuid not null,
     about text not null check (about in ('help', 'hurt')),
     found jsonb not null,
     called_at timestamptz not null,
     seen_by uuid,
     seen_at timestamptz,
     going_by uuid,
     going_at timestamptz,
     ended_by uuid,
     ended_at timestamptz,
     ended_how text check (ended_how in ('done', 'taken-back')),
     primary key (site_id, call_id),
     foreign key (site_id, machine_id) references machine (site_id, machine_id) on delete cascade,
     foreign key (site_id, person_id) references person (site_id, person_id),
     check ((ended_at is null) = (ended_how is null))
   )`,
  `create index help_call_open on help_call (site_id, called_at) where ended_at is null`,
  `create index help_call_own on help_call (site_id, person_id, called_at)`,
  `create function tell_of_calls() returns trigger language plpgsql as $$
   begin
     perform pg_notify('orthodex_calls', new.site_id::text);
     return new;
   end $$`,
  `create trigger help_call_told after insert or update on help_call for each row execute function tell_of_calls()`,
  `alter table machine_state add column fold_version integer not null default 0`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
