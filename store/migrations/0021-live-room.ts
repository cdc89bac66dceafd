import { sql, type Kysely } from 'kysely'

/** What a screen of the room shows, by table, with what happens to it. A statement of any size tells a venue once. */
const TELLING = [
  ['machine_event', 'insert'],
  ['kit_given', 'insert'],
  ['kit_given', 'update'],
  ['session_plan', 'insert'],
  ['session', 'insert'],
  ['session', 'update'],
  ['help_call', 'insert'],
  ['help_call', 'update'],
] as const

/** Whoever listens on `orthodex_room` is told which venue has news of its room; and staff may go to somebody unasked. */
const STATEMENTS = [
  `create function tell_of_room() returns trigger language plpgsql as $$
   begin
     perform pg_notify('orthodex_room', site_id::text) from (select distinct site_id from written) as told;
     return null;
   end $$`,
  ...TELLING.map(
    ([table, how]) =>
      `create trigger ${table}_${how}_told after ${how} on ${table} referencing new table as written
       for each statement execute function tell_of_room()`,
  ),
  // What a learner did last time is asked by who wrote it.
  `create index machine_event_own on machine_event (site_id, person_id, happened_at)
     where kind in ('check-run', 'swatch-stitched', 'turn-ended')`,
  `alter table help_call drop constraint help_call_about_check`,
  `alter table help_call add constraint help_call_about_check check (about in ('help', 'hurt', 'visit'))`,
]

export async function up(db: Kysely<unknown>): Promise<void> {
  for (const statement of STATEMENTS) await sql.raw(statement).execute(db)
}
