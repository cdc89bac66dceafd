import { sql, type Kysely } from 'kysely'

/**
 * A learner's line that was written without a network and not taken when it came: it lies here until staff take or drop it. What
 * it says goes with the decision: a line that was taken says it in its book.
 */
const STATEMENTS = [
  `create table left_line (
     site_id uuid not null references site on delete cascade,
     line_id uuid not null,
     machine_id uuid not null,
     person_id uuid not null,
     happened_at timestamptz not null,
     kind text not null,
     body jsonb,
     because text not null,
     left_at timestamptz not null,
     decided_by uuid,
     decided_at timestamptz,
     taken boolean,
     primary key (site_id, line_id),
     foreign key (site_id, machine_id) references machine (site_id, machine_id) on delete cascade,
     foreign key (site_id, person_id) references person (site_id, person_id),
     check ((decided_at is null) = (taken is null)),
     check ((decided_at is null) = (body is not null))
   )`,
  `create index left_line_open on left_line (site_id, left_at) where decided_at is null`,
  `create index left_line_own on left_line (site_id, person_id, left_at)`,
  `create trigger left_line_told after insert or update on left_line for each row execute function tell_of_calls()`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
