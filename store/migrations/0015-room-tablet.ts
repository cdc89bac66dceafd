import { sql, type Kysely } from 'kysely'

/** A tablet that belongs to a room, not to a person: whoever holds it says so by a PIN, and it falls asleep by itself. */
const STATEMENTS = [
  `create table pin (
     site_id uuid not null,
     person_id uuid not null,
     pin_hash text not null,
     set_at timestamptz(3) not null,
     primary key (site_id, person_id),
     foreign key (site_id, person_id) references person on delete cascade
   )`,
  `alter table access_key drop constraint access_key_purpose_check`,
  `alter table access_key add constraint access_key_purpose_check
     check (purpose in ('care-feed', 'run-meter', 'room-tablet'))`,
  `alter table sign_in_session add column "tabletId" text`,
  `create index sign_in_session_tablet on sign_in_session ("tabletId") where "tabletId" is not null`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
